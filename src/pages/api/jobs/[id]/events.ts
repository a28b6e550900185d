import { parseInput } from '~/schema/values/faults';
import { appendRequest } from '~/schema/records/jobs/runEvent';
import { logHeat } from '~/server/jobs/thermalLogs';
import { appendEvent } from '~/server/jobs/append';
import { leadFor } from '~/server/people/signatures';
import { overrideSigned } from '~/server/people/signing';
import { getJob } from '~/server/store/repositories/jobs';
import { endpoint, readJson } from '~/server/http/respond';

export const GET = endpoint((context) => {
  const { events } = getJob(context.locals.db, context.params['id']!);
  return { events, now_ms: Date.now() };
});

export const POST = endpoint(async (context) => {
  const { db, costs, hub, lessons, person } = context.locals;
  const request = overrideSigned(parseInput(appendRequest, await readJson(context)), () =>
    leadFor(person, context.request),
  );
  const id = context.params['id']!;
  const { events } = appendEvent(db, id, request, Date.now());
  // What it cost is computed elsewhere, after the answer; what was read of it is kept.
  setImmediate(() => costs.owe(id));
  if (request.event.kind === 'closed') setImmediate(() => void lessons.after(id));
  if (request.event.kind === 'heat-off') logHeat(db, hub, costs, id, events.at(-1)!.seq);
  return { events, now_ms: Date.now() };
});
