import { parseInput } from '~/schema/values/faults';
import { appendRequest } from '~/schema/records/jobs/runEvent';
import { appendEvent } from '~/server/jobs/append';
import { getJob } from '~/server/store/repositories/jobs';
import { endpoint, readJson } from '~/server/http/respond';

export const GET = endpoint((context) => {
  const { events } = getJob(context.locals.db, context.params['id']!);
  return { events, now_ms: Date.now() };
});

export const POST = endpoint(async (context) => {
  const request = parseInput(appendRequest, await readJson(context));
  const { db, costs } = context.locals;
  const id = context.params['id']!;
  const { events } = appendEvent(db, id, request, Date.now());
  // What it cost is computed elsewhere, after the answer.
  setImmediate(() => costs.owe(id));
  return { events, now_ms: Date.now() };
});
