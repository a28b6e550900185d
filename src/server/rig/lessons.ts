import { heatsSeen } from '~/core/learning/heatSeen';
import { drawsFromKept } from '~/core/learning/fromKept';
import { tipKey } from '~/core/learning/lasting';
import type { JobHeats } from '~/core/learning/heatSeen';
import { seenIn } from '~/core/learning/seenIn';
import { runState } from '~/core/record/runState';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import type { BenchHeatsRow } from '~/schema/records/rig/benchHeats';
import { aboutBoard, aboutTip, type LessonBody } from '~/schema/records/rig/benchLesson';
import { anyTipOf } from '~/schema/exchange/si/tools';
import type { Draws } from '~/server/jobs/draws';
import { asked } from '~/server/plans/planner/asked';
import type { Planner } from '~/server/plans/planner/planner';
import type { Db } from '~/server/store/db';
import {
  heatsOfTip,
  heatsOnBoard,
  keepHeats,
  keepLesson,
  lessonsAbout,
} from '~/server/store/repositories/benchLessons';
import { drawsOfJob } from '~/server/store/repositories/jobDraws';
import { aboutOf, type AnyTip } from './learnt';
import { getJob, untaughtJobs } from '~/server/store/repositories/jobs';

/** So many earlier jobs are looked at as the server starts. */
const MOST_MADE_UP = 40;

/** What closed jobs teach of the bench's tips and of their board: kept in the record, fitted on the planner's threads. */
export class Lessons {
  constructor(
    private readonly db: Db,
    private readonly planner: Pick<Planner, 'ask'>,
    private readonly now_ms: () => number = Date.now,
  ) {}

  /** To be called once a job is closed. A fault here costs what is learnt and nothing else. */
  async after(jobId: string): Promise<void> {
    try {
      const told = jobTells(this.db, jobId);
      for (const { row, tip } of told) {
        keepHeats(this.db, row);
        await this.ofTip(row.toolId, tip);
      }
      if (told.length > 0) await this.ofBoard(told[0]!.row.boardId);
    } catch (error) {
      console.error(`ithermon: job ${jobId} taught nothing:`, error);
    }
  }

  /** Jobs that were closed before anything was learnt teach too, the latest of them, as the planner has time. */
  async makeUp(draws: Pick<Draws, 'drawn'>): Promise<void> {
    for (const id of untaughtJobs(this.db, MOST_MADE_UP)) {
      const { job, events } = getJob(this.db, id);
      if (runState(job.plan.steps, events).dwells.length === 0) continue;
      await draws.drawn(id);
      await this.after(id);
    }
  }

  /** Nothing of that tip counts from before now: it was changed, or set right. */
  forget(toolId: string, tip: AnyTip): void {
    const now_ms = this.now_ms();
    keepLesson(this.db, { about: aboutOf(toolId, tip), body: null, since_ms: now_ms, at_ms: now_ms });
  }

  private async ofTip(toolId: string, tip: AnyTip): Promise<void> {
    const key = tipKey(toolId, anyTipOf(tip));
    const since_ms = lessonsAbout(this.db, [aboutTip(key)])[0]?.since_ms ?? 0;
    const rows = heatsOfTip(this.db, key, since_ms);
    const learnt = await asked(this.planner, { kind: 'tip-lesson', of: key, jobs: rows.map(jobHeatsOf) });
    if (learnt) this.keep(aboutTip(key), since_ms, { of: 'tip', toolId, tip, ...learnt, ...counted(rows) });
  }

  private async ofBoard(boardId: string): Promise<void> {
    const rows = heatsOnBoard(this.db, boardId);
    const copper = await asked(this.planner, {
      kind: 'board-lesson',
      of: boardId,
      jobs: rows.map(jobHeatsOf),
    });
    if (copper) this.keep(aboutBoard(boardId), 0, { of: 'board', boardId, copper, ...counted(rows) });
  }

  /** What was learnt, unless it was forgotten meanwhile. */
  private keep(about: string, since_ms: number, body: LessonBody): void {
    const now = lessonsAbout(this.db, [about])[0]?.since_ms ?? 0;
    if (now === since_ms) keepLesson(this.db, { about, body, since_ms, at_ms: this.now_ms() });
  }
}

const jobHeatsOf = ({ jobId, phase, at_ms, tip, boardId, heats }: BenchHeatsRow): JobHeats => ({
  job: `${jobId} ${phase}`,
  at_ms,
  tip,
  board: boardId,
  heats,
});

const counted = (rows: readonly BenchHeatsRow[]): { jobs: number; heats: number } => ({
  jobs: new Set(rows.map((row) => row.jobId)).size,
  heats: rows.reduce((sum, row) => sum + row.heats.length, 0),
});

/** What each phase of a job that was done by hand, and whose draws are kept, says of its tip. */
function jobTells(db: Db, jobId: string): { row: BenchHeatsRow; tip: AnyTip }[] {
  const { job, events } = getJob(db, jobId);
  const request = jobRequestOf(job.request);
  if (!request) return [];
  const { dwells } = runState(job.plan.steps, events);
  return drawsOfJob(db, jobId).flatMap(({ phase, body }) => {
    const setting = request.choices.find((c) => c.phase === phase)?.setting;
    if (setting?.kind !== 'hand') return [];
    const steps = new Set(job.plan.steps.flatMap((step) => (step.phase === phase ? [step.id] : [])));
    const heats = heatsSeen(drawsFromKept(body), seenIn(dwells, steps));
    if (heats.length === 0) return [];
    const { toolId, tip } = setting;
    const at_ms = job.closedAt_ms ?? events.at(-1)!.at_ms;
    const row = {
      jobId,
      phase,
      boardId: job.boardId,
      toolId,
      tip: tipKey(toolId, anyTipOf(tip)),
      at_ms,
      heats,
    };
    return [{ row, tip }];
  });
}
