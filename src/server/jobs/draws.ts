import { MODEL_VERSION } from '~/core/method/plan/plan';
import type { DrawsGiven } from '~/core/method/hand/heatDraws';
import type { Phase } from '~/core/method/goals';
import type { JobRecord } from '~/schema/records/jobs/job';
import { keptOf, type KeptDraws } from '~/schema/records/jobs/jobDraws';
import { asked } from '~/server/plans/planner/asked';
import type { Planner } from '~/server/plans/planner/planner';
import type { Db } from '~/server/store/db';
import { drawsOfJob, keepDraws } from '~/server/store/repositories/jobDraws';
import { getJob } from '~/server/store/repositories/jobs';
import { phasesGiven } from './phasesGiven';

/** What a job's run learns by: draws of each phase that is done by hand, and whether more are on their way. */
export interface JobDraws {
  readonly phases: Readonly<Partial<Record<Phase, KeptDraws>>>;
  readonly awaited: boolean;
}

/** Draws behind the bands of plans that were accepted: computed on the planner's threads after the job is written, and kept. */
export class Draws {
  private readonly atWork = new Set<string>();

  constructor(
    private readonly db: Db,
    private readonly planner: Pick<Planner, 'ask'>,
    private readonly now_ms: () => number = Date.now,
  ) {}

  /** What a job has; whatever it lacks is begun. */
  of(jobId: string): JobDraws {
    const { job } = getJob(this.db, jobId);
    const kept = drawsOfJob(this.db, jobId);
    const phases = Object.fromEntries(kept.map(({ phase, body }) => [phase, body]));
    const lacking = job.status === 'running' ? this.lackingOf(job, phases) : [];
    for (const [phase, given] of lacking) void this.draw(jobId, phase, given);
    return { phases, awaited: lacking.length > 0 };
  }

  /** Draws what a job lacks, closed or not, one phase after another. */
  async drawn(jobId: string): Promise<void> {
    const { phases } = this.of(jobId);
    for (const [phase, given] of this.lackingOf(getJob(this.db, jobId).job, phases))
      await this.draw(jobId, phase, given);
  }

  private lackingOf(job: JobRecord, phases: JobDraws['phases']): [Phase, DrawsGiven][] {
    return phasesGiven(this.db, job).flatMap(([phase, given]): [Phase, DrawsGiven][] =>
      given.setting.kind === 'hand' && !(phase in phases)
        ? [[phase, { ...given, setting: given.setting }]]
        : [],
    );
  }

  private async draw(jobId: string, phase: Phase, given: DrawsGiven): Promise<void> {
    const of = `${jobId} ${phase}`;
    if (this.atWork.has(of)) return;
    this.atWork.add(of);
    try {
      const body = keptOf(await asked(this.planner, { kind: 'draws', of, given }));
      keepDraws(this.db, { jobId, phase, modelVersion: MODEL_VERSION, body, at_ms: this.now_ms() });
    } catch (error) {
      // Asked for again by whoever looks at the job next.
      if (!(error instanceof Error && error.name === 'Busy'))
        console.error(`ithermon: the draws of job ${jobId} were not kept:`, error);
    } finally {
      this.atWork.delete(of);
    }
  }
}
