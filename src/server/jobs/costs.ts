import type { RunEventBody } from '~/core/record/runEvents';
import { runState, type Dwell, type RunState } from '~/core/record/runState';
import type { JobRecord } from '~/schema/records/jobs/job';
import type { AppendRequest } from '~/schema/records/jobs/runEvent';
import { asked } from '~/server/plans/planner/asked';
import { recount } from '~/server/outcomes/keep';
import type { Planner } from '~/server/plans/planner/planner';
import type { Db } from '~/server/store/db';
import { appendRows, getJob, jobsToCost, type JobWithEvents } from '~/server/store/repositories/jobs';
import { heatsLoggedSince } from '~/server/store/repositories/thermalLogs';
import { appendEvent } from './append';
import { heatGivenOf } from './exposure';
import { measuredOf } from './measuredLand';

/** Asked again after so long where the planner has its hands full. */
const AGAIN_ms = 1000;

/** Logs are looked at again as the server starts, those of its last day. */
const RECENT_ms = 24 * 3600 * 1000;

/** Heatings that ended and whose cost is not in the record: the last one, and any that was interrupted. */
const owed = ({ dwells }: RunState): Dwell[] => dwells.filter((d) => d.off_s !== null && d.exposure === null);

/**
 * What heatings cost, computed on the planner's threads and appended as the server's own later entries: a fact is stored
 * before anything is computed from it, and no page waits for that.
 */
export class Costs {
  private readonly atWork = new Set<string>();

  constructor(
    private readonly db: Db,
    private readonly planner: Pick<Planner, 'ask'>,
    private readonly now_ms: () => number = Date.now,
  ) {}

  /** Sees to all that a job owes; to be called after each of its entries. */
  owe(jobId: string): void {
    const { job, events } = getJob(this.db, jobId);
    const state = runState(job.plan.steps, events);
    for (const dwell of owed(state)) void this.cost(job, state, dwell);
  }

  /** Reckons a heating anew, now that there is a log of it; nothing changes where that tells nothing of its land. */
  measured(jobId: string, onSeq: number): void {
    const { job, events } = getJob(this.db, jobId);
    const state = runState(job.plan.steps, events);
    const dwell = state.dwells.find((d) => d.onSeq === onSeq);
    if (dwell && !dwell.exposure?.measured && measuredOf(this.db, jobId, dwell))
      void this.cost(job, state, dwell, 'measured');
  }

  /** Makes up for what was owed when the server was stopped. */
  async makeUp(): Promise<void> {
    for (const id of jobsToCost(this.db, this.now_ms())) {
      this.owe(id);
      // A workshop has hundreds under way: pages come in between.
      await new Promise(setImmediate);
    }
    // A log that was kept just before the server was stopped is reckoned with now.
    for (const { jobId, onSeq } of heatsLoggedSince(this.db, this.now_ms() - RECENT_ms))
      this.measured(jobId, onSeq);
  }

  private async cost(job: JobRecord, state: RunState, dwell: Dwell, from: CostFrom = 'model'): Promise<void> {
    const of = `${job.id} ${dwell.onSeq} ${dwell.off_s} ${from}`;
    if (this.atWork.has(of)) return;
    this.atWork.add(of);
    try {
      const given = heatGivenOf(this.db, job, state, dwell);
      if (given)
        appendCost(
          this.db,
          job.id,
          dwell,
          await asked(this.planner, { kind: 'cost', of, given }),
          this.now_ms(),
        );
    } catch (error) {
      // The fact stands, whatever the model makes of it.
      if (error instanceof Error && error.name === 'Busy')
        setTimeout(
          () => (from === 'measured' ? this.measured(job.id, dwell.onSeq) : this.owe(job.id)),
          AGAIN_ms,
        ).unref();
      else console.error(`ithermon: the heat of job ${job.id} was not costed:`, error);
    } finally {
      this.atWork.delete(of);
    }
  }
}

/** What a cost is reckoned from: the model alone at once, and a few seconds later what was measured. */
type CostFrom = 'model' | 'measured';

/**
 * Appends what a heating cost, unless it is in the record by now or the heating was corrected meanwhile. What was measured
 * stands in the place of what the model gave, as a later entry.
 */
function appendCost(
  db: Db,
  jobId: string,
  { onSeq, off_s }: Dwell,
  costs: readonly RunEventBody[],
  at_ms: number,
): void {
  db.transaction(() => {
    const { job, events } = getJob(db, jobId);
    const isMeasured = costs.some((cost) => cost.kind === 'exposure' && cost.measured !== undefined);
    const dwell = runState(job.plan.steps, events).dwells.find(
      ({ exposure, ...d }) =>
        d.onSeq === onSeq && d.off_s === off_s && (isMeasured ? !exposure?.measured : exposure === null),
    );
    const end = events.find((e) => e.seq === dwell?.offSeq);
    if (!end) return;
    const rows = costs.map((cost, i) => {
      const seq = job.lastSeq + 1 + i;
      const body = { ...cost, ofSeq: onSeq } as RunEventBody;
      return { jobId, seq, clientId: `${jobId}-cost-${seq}`.slice(-64), at_ms, by: end.by, body };
    });
    appendRows(db, job, rows);
    if (job.status === 'closed') recount(db, job.id);
  });
}

/** What a heating cost, as entries. */
export type CostOf = (job: JobRecord, state: RunState, dwell: Dwell) => RunEventBody[];

/** Appends an entry and at once what it cost, for whoever has the time to wait: demo data, and tests. */
export function appendCosted(
  db: Db,
  jobId: string,
  request: AppendRequest,
  now_ms: number,
  costOf: CostOf,
): JobWithEvents {
  const { job, events } = appendEvent(db, jobId, request, now_ms);
  const state = runState(job.plan.steps, events);
  for (const dwell of owed(state)) appendCost(db, jobId, dwell, costOf(job, state, dwell), now_ms);
  return getJob(db, jobId);
}

/** Appends what a heating cost by its log at once, for whoever has the time to wait; nothing where that tells nothing. */
export function appendMeasured(db: Db, jobId: string, dwell: Dwell, costOf: CostOf, now_ms: number): void {
  const { job, events } = getJob(db, jobId);
  const costs = costOf(job, runState(job.plan.steps, events), dwell);
  if (costs.some((cost) => cost.kind === 'exposure' && cost.measured))
    appendCost(db, jobId, dwell, costs, now_ms);
}
