import { newBoardEntry } from '~/schema/records/board/boardEntry';
import { parseInput } from '~/schema/values/faults';
import { enterOnBoard } from '~/server/boards/boardEntry';
import { boardStanding } from '~/server/boards/boardStanding';
import { endpoint, readJson } from '~/server/http/respond';

export const GET = endpoint((context) => boardStanding(context.locals.db, context.params['id']!));

export const POST = endpoint(async (context) => {
  const entry = parseInput(newBoardEntry, await readJson(context));
  return enterOnBoard(context.locals.db, context.params['id']!, entry, Date.now());
}, 201);
