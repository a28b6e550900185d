import { newBoardEntry } from '~/schema/records/board/boardEntry';
import { parseInput } from '~/schema/values/faults';
import { enterOnBoard } from '~/server/boards/boardEntry';
import { boardStanding } from '~/server/boards/boardStanding';
import { leadFor } from '~/server/people/signatures';
import { acceptanceSigned } from '~/server/people/signing';
import { endpoint, readJson } from '~/server/http/respond';

export const GET = endpoint((context) => boardStanding(context.locals.db, context.params['id']!));

export const POST = endpoint(async (context) => {
  const { db, person } = context.locals;
  const entry = acceptanceSigned(parseInput(newBoardEntry, await readJson(context)), () =>
    leadFor(person, context.request),
  );
  return enterOnBoard(db, context.params['id']!, entry, Date.now());
}, 201);
