import { parseInput } from '~/schema/values/faults';
import { appendRequest } from '~/schema/records/jobs/runEvent';
import { exposureFor } from '~/server/jobs/exposure';
import { appendEvent } from '~/server/jobs/append';
import { getJob } from '~/server/store/repositories/jobs';
import { endpoint, readJson } from '~/server/http/respond';

export const GET = endpoint((context) => {
  const { events } = getJob(context.locals.db, context.params['id']!);
  return { events, now_ms: Date.now() };
});

export const POST = endpoint(async (context) => {
  const request = parseInput(appendRequest, await readJson(context));
  const { db } = context.locals;
  const { events } = appendEvent(db, context.params['id']!, request, Date.now(), exposureFor(db));
  return { events, now_ms: Date.now() };
});
