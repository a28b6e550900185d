import { and, eq, inArray } from 'drizzle-orm';
import type { PadStateId } from '~/core/record/padStates';
import { findings } from '~/schema/records/site/finding.table';
import { jobOfRow } from '~/schema/records/jobs/job';
import { jobs } from '~/schema/records/jobs/job.table';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import type { Db } from '../db';

/** What a method did to a land if it went wrong. */
const HARM: readonly PadStateId[] = ['lifted', 'torn', 'barrel'];

/** How each method went for one technician on parts of a family: jobs closed, and jobs after which a land was hurt. */
export function trackRecord(db: Db, family: string, by: string): PlanInput['record'] {
  const closed = db
    .select()
    .from(jobs)
    .where(and(eq(jobs.by, by), eq(jobs.status, 'closed')))
    .all()
    .map((row) => jobOfRow(row))
    .filter((job) => job.plan.site.family === family);
  if (closed.length === 0) return [];
  const harmed = new Set(
    db
      .select({ jobId: findings.jobId })
      .from(findings)
      .where(
        and(
          inArray(
            findings.jobId,
            closed.map((job) => job.id),
          ),
          inArray(findings.state, [...HARM]),
        ),
      )
      .all()
      .map((row) => row.jobId),
  );
  const lines = new Map<string, PlanInput['record'][number]>();
  for (const job of closed) {
    const method = job.plan.phases[0]!.chosen.method;
    const line = lines.get(method) ?? { method, jobs: 0, harmed: 0 };
    lines.set(method, {
      method,
      jobs: line.jobs + 1,
      harmed: line.harmed + (harmed.has(job.id) ? 1 : 0),
    });
  }
  return [...lines.values()];
}

/** The records of everyone who closed a job on parts of a family, by initials. */
export function recordsByPerson(db: Db, family: string): Record<string, PlanInput['record']> {
  const people = db.selectDistinct({ by: jobs.by }).from(jobs).where(eq(jobs.status, 'closed')).all();
  return Object.fromEntries(people.map(({ by }) => [by, trackRecord(db, family, by)]));
}
