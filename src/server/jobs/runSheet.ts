import type { RunSheet } from '~/schema/sheets/runSheet';
import { openBoard } from '~/server/boards/openBoard';
import { roundSheet } from '~/server/plans/roundSheet';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { findingsOf } from '~/server/store/repositories/findings';
import { getJob } from '~/server/store/repositories/jobs';
import { getRecap } from '~/server/store/repositories/recaps';
import { getSite } from '~/server/store/repositories/sites';
import { lastSupply, supplyOfBoard } from '~/server/store/repositories/supplyReadings';

/** Gathers what a job's sheet starts from. */
export function runSheet(db: Db, jobId: string, now_ms: number): RunSheet {
  const {
    job: { request: _request, ...job },
    events,
  } = getJob(db, jobId);
  return {
    job,
    events,
    board: getBoard(db, job.boardId),
    site: getSite(db, job.siteId),
    findings: findingsOf(db, job.boardId).filter((f) => f.siteId === job.siteId),
    round:
      job.recapId === null
        ? null
        : roundSheet(getRecap(db, job.boardId, job.recapId), openBoard(db, job.boardId)),
    supply: { asks_V: asksOf(db, job.boardId), limit_A: lastSupply(db)?.limit_A ?? null },
    now_ms,
  };
}

/** What was last read off the board's label, or told as it came in. */
function asksOf(db: Db, boardId: string): number | null {
  const read = supplyOfBoard(db, boardId);
  return read === null ? getBoard(db, boardId).asks_V : read.asks_V;
}
