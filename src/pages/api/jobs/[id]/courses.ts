import type { Courses } from '~/core/method/courses';
import { phasesGiven } from '~/server/jobs/phasesGiven';
import { asked } from '~/server/plans/planner/asked';
import { endpoint } from '~/server/http/respond';
import { getJob } from '~/server/store/repositories/jobs';

/** What thermocouples are expected to read over the heatings of one phase; null where nobody can say. */
export const GET = endpoint(async (context): Promise<Courses | null> => {
  const { db, planner } = context.locals;
  const phase = context.url.searchParams.get('phase');
  const { job } = getJob(db, context.params['id']!);
  const given = phasesGiven(db, job).find(([own]) => own === phase)?.[1];
  return given ? await asked(planner, { kind: 'courses', given }) : null;
});
