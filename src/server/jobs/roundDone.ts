import { isShared } from '~/core/method/recap/roundSteps';
import { runState } from '~/core/record/runState';
import type { BoardRecord } from '~/schema/records/board/board';
import type { RoundSheet } from '~/schema/sheets/roundSheet';
import type { RunSheet } from '~/schema/sheets/runSheet';
import { openBoard } from '~/server/boards/openBoard';
import { roundSheet } from '~/server/plans/roundSheet';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { jobsOfBoard } from '~/server/store/repositories/jobs';
import { getRecap } from '~/server/store/repositories/recaps';
import { runSheet } from './runSheet';

/** A step that served more than the part it stood before. */
interface SharedStep {
  readonly title: string;
  readonly at_ms: number;
  readonly took_s: number;
  readonly wait_s: number | null;
  readonly ref: string;
}

/** Everything that was done of a whole board's job: how far it is, what was done once, and each part's job. */
export interface RoundDone {
  readonly board: BoardRecord;
  readonly round: RoundSheet;
  readonly shared: readonly SharedStep[];
  /** In the order they were taken up. */
  readonly jobs: readonly RunSheet[];
}

export function roundDone(db: Db, boardId: string, recapId: string, now_ms: number): RoundDone {
  const recap = getRecap(db, boardId, recapId);
  const jobs = jobsOfBoard(db, boardId)
    .filter(({ job }) => job.recapId === recapId)
    .reverse();
  return {
    board: getBoard(db, boardId),
    round: roundSheet(recap, openBoard(db, boardId)),
    shared: jobs.flatMap(({ job, events }) => {
      const { done } = runState(job.plan.steps, events);
      return job.plan.steps.flatMap(({ id, title, wait_s }): SharedStep[] => {
        const at = isShared(id) ? done.get(id) : undefined;
        if (!at) return [];
        const { at_ms, from_ms } = at;
        return [{ title, at_ms, took_s: (at_ms - from_ms) / 1e3, wait_s, ref: job.plan.site.ref }];
      });
    }),
    jobs: jobs.map(({ job }) => runSheet(db, job.id, now_ms)),
  };
}
