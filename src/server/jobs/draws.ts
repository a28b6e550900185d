import { MODEL_VERSION } from '~/core/method/plan/plan';
import { methodOf } from '~/core/method/ways';
import { phaseRequest } from '~/core/method/plan/phases/phasePlan';
import type { DrawsGiven } from '~/core/method/hand/heatDraws';
import { phasesOf, type Phase } from '~/core/method/goals';
import type { JobRecord } from '~/schema/records/jobs/job';
import { jobRequestOf, type JobRequest } from '~/schema/records/jobs/jobRequest';
import { keptOf, type KeptDraws } from '~/schema/records/jobs/jobDraws';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { InputError } from '~/schema/values/faults';
import { heatBoardOf } from '~/server/boards/heatBoard';
import { asked } from '~/server/plans/planner/asked';
import type { Planner } from '~/server/plans/planner/planner';
import type { Db } from '~/server/store/db';
import { drawsOfJob, keepDraws } from '~/server/store/repositories/jobDraws';
import { getJob } from '~/server/store/repositories/jobs';
import { benchSetting } from './acceptance';

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
    const lacking = job.status === 'running' ? this.givenOf(job).filter(([phase]) => !(phase in phases)) : [];
    for (const [phase, given] of lacking) void this.draw(jobId, phase, given);
    return { phases, awaited: lacking.length > 0 };
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

  /** Phases done by hand; none where the job was planned by a model that is not read any more, or with a tool that is gone. */
  private givenOf(job: JobRecord): [Phase, DrawsGiven][] {
    const request = jobRequestOf(job.request);
    if (!request) return [];
    try {
      return this.byHand(job, request);
    } catch (error) {
      if (error instanceof InputError) return [];
      throw error;
    }
  }

  private byHand(job: JobRecord, request: JobRequest): [Phase, DrawsGiven][] {
    const board = { ...heatBoardOf(this.db, job.boardId), ...request.input.board };
    const planned = planRequestOf({ ...request.input, board });
    return phasesOf(planned.goal).flatMap((phase): [Phase, DrawsGiven][] => {
      const choice = request.choices.find((c) => c.phase === phase);
      if (!choice || methodOf(choice.method).heat.kind === 'air') return [];
      const asked = phaseRequest(planned, phase, []);
      const setting = benchSetting(asked, choice.setting);
      return setting.kind === 'hand' ? [[phase, { request: asked, method: choice.method, setting }]] : [];
    });
  }
}
