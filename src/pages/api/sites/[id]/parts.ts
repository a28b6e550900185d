import { giveAwayInput } from '~/schema/records/parts/giveAway';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { giveAway } from '~/server/parts/giveAway';
import { originalOf } from '~/server/parts/originalOf';
import { getSite } from '~/server/store/repositories/sites';
import { donorsOfPart, fittedOn, givenFrom, sitesWithPart } from '~/server/store/repositories/stockParts';

/** What was fitted on a site out of the drawers and what it gave, newest first, each with where else it was. */
export const GET = endpoint((context) => {
  const { db } = context.locals;
  const site = getSite(db, context.params['id']!);
  return {
    fitted: fittedOn(db, site.id).map((one) => ({ ...one, from: donorsOfPart(db, one.line.id) })),
    given: givenFrom(db, site.id).map((one) => ({ ...one, went: sitesWithPart(db, one.line.id) })),
    told: originalOf(site) !== null,
  };
});

/** Its part, off and kept, goes into a drawer. */
export const POST = endpoint(async (context) => {
  const asked = parseInput(giveAwayInput, await readJson(context));
  return giveAway(context.locals.db, context.params['id']!, asked, Date.now());
}, 201);
