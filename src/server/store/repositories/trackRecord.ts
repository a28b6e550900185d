import { and, desc, eq, inArray, isNotNull, isNull, ne, sql, type SQL } from 'drizzle-orm';
import type { PaceSeen } from '~/core/method/pace';
import type { PadStateId } from '~/core/record/padStates';
import { findings } from '~/schema/records/site/finding.table';
import { jobOfRow, type JobRecord } from '~/schema/records/jobs/job';
import { jobs } from '~/schema/records/jobs/job.table';
import { jobFacts } from '~/schema/records/jobs/jobFacts.table';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import type { Db } from '../db';

/** What a method did to a land if it went wrong. */
const HARM: readonly PadStateId[] = ['lifted', 'torn', 'barrel'];

/** What of an accepted plan a track record is counted by. */
export const countedOf = ({ site, phases }: JobRecord['plan']): { family: string; method: string } => ({
  family: site.family,
  method: phases[0]!.chosen.method,
});

/** Tells it of jobs that were written before it was kept apart; does nothing once all have it. */
export function countOldJobs(db: Db): void {
  const old = db.select({ id: jobs.id }).from(jobs).where(isNull(jobs.family)).all();
  for (const { id } of old) {
    const row = db.select().from(jobs).where(eq(jobs.id, id)).get()!;
    db.update(jobs)
      .set(countedOf(jobOfRow(row).plan))
      .where(eq(jobs.id, id))
      .run();
  }
}

/** How each method went on parts of a family, for one technician and for everyone else: jobs closed, and jobs after which a land was hurt. */
export function trackRecord(db: Db, family: string, by: string): PlanInput['record'] {
  const lines = new Map<string, { jobs: number; harmed: number; others: { jobs: number; harmed: number } }>();
  for (const { by: who, method, jobs: many, harmed } of counted(db, family)) {
    const line = lines.get(method) ?? { jobs: 0, harmed: 0, others: { jobs: 0, harmed: 0 } };
    lines.set(method, line);
    const own = who === by ? line : line.others;
    own.jobs += many;
    own.harmed += harmed;
  }
  return [...lines].map(([method, { others, ...own }]) => ({
    method,
    ...own,
    ...(others.jobs > 0 ? { others } : {}),
  }));
}

type Line = PlanInput['record'][number] & { readonly by: string };

/** One query whatever the age of the workshop: no plan is read for it. */
function counted(db: Db, family: string): Line[] {
  const harmed = db
    .select({ one: sql`1` })
    .from(findings)
    .where(and(eq(findings.jobId, jobs.id), inArray(findings.state, [...HARM])));
  return db
    .select({
      by: jobs.by,
      method: sql<Line['method']>`${jobs.method}`,
      jobs: sql<number>`count(*)`,
      harmed: sql<number>`sum(exists ${harmed})`,
    })
    .from(jobs)
    .where(and(eq(jobs.status, 'closed'), eq(jobs.family, family)))
    .groupBy(jobs.by, jobs.method)
    .all();
}

/** Hands change, and so does what they work on: the pace is that of the latest jobs. */
const LATEST = 200;

/** How long hands took over what the figures said, over the latest jobs of one technician, of everyone else, and of each way. */
export function paceRecord(db: Db, by: string): NonNullable<PlanInput['pace']> {
  const latest = (whose?: SQL) =>
    db
      .select({ method: jobFacts.method, log: sql<number>`ln(${jobFacts.pace})`.as('log') })
      .from(jobFacts)
      .where(and(isNotNull(jobFacts.pace), whose))
      .orderBy(desc(jobFacts.closedAt_ms))
      .limit(LATEST)
      .all();
  const all = latest();
  const whole = seenIn(all);
  const ways = [...new Set(all.map(({ method }) => method))].map((method) => {
    const seen = seenIn(all.filter((job) => job.method === method));
    return { method, jobs: seen.jobs, meanLog: seen.meanLog - whole.meanLog };
  });
  return { own: seenIn(latest(eq(jobFacts.by, by))), others: seenIn(latest(ne(jobFacts.by, by))), ways };
}

const seenIn = (jobs: readonly { readonly log: number }[]): PaceSeen => ({
  jobs: jobs.length,
  meanLog: jobs.length > 0 ? jobs.reduce((sum, { log }) => sum + log, 0) / jobs.length : 0,
});
