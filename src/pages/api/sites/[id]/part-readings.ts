import { judgeAnswerOf } from '~/schema/exchange/parts/questions';
import { newSitePartReading } from '~/schema/records/site/partReading';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { newId } from '~/server/store/ids';
import { keepPartReading, partReadingsAt } from '~/server/store/repositories/sitePartReadings';
import { getSite } from '~/server/store/repositories/sites';

export const GET = endpoint((context) => {
  const { id } = getSite(context.locals.db, context.params['id']!);
  return { readings: partReadingsAt(context.locals.db, id) };
});

/** A reading of the part on a site: judged by what the part is taken for, and kept with that. */
export const POST = endpoint(async (context) => {
  const { db } = context.locals;
  const { id: siteId } = getSite(db, context.params['id']!);
  const { part, reading, by } = parseInput(newSitePartReading, await readJson(context));
  const answer = judgeAnswerOf({ part, reading });
  const { verdict } = answer;
  const reason = answer.reason.slice(0, 400);
  keepPartReading(db, {
    id: newId('reading'),
    siteId,
    part,
    reading,
    verdict,
    reason,
    by,
    at_ms: Date.now(),
  });
  return { answer, readings: partReadingsAt(db, siteId) };
}, 201);
