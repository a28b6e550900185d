import { newBoard } from '~/schema/records/board/board';
import { parseInput } from '~/schema/values/faults';
import { addBoard } from '~/server/store/repositories/boards';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const board = parseInput(newBoard, await readJson(context));
  return addBoard(context.locals.db, board, Date.now());
}, 201);
