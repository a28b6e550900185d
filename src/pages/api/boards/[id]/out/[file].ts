import { fileAnswer } from '~/server/http/respond';
import { boardFile } from '~/server/out/boardFiles';

/** What is written of a board: lists, a netlist, a report. */
export const GET = fileAnswer(({ locals, params }) => boardFile(locals.db, params['id']!, params['file']!));
