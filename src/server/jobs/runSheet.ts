import type { RunSheet } from '~/schema/sheets/runSheet';
import { openBoard } from '~/server/boards/openBoard';
import { roundSheet } from '~/server/plans/roundSheet';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { findingsOf } from '~/server/store/repositories/findings';
import { getJob, jobsOfBoard, lastClosed } from '~/server/store/repositories/jobs';
import { getRecap } from '~/server/store/repositories/recaps';
import { getSite } from '~/server/store/repositories/sites';

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
    supply: { asks_V: asksOf(db, job.boardId), limit_A: lastLimit_A(db) },
    now_ms,
  };
}

/** What was last read off the board's label, or told as it came in. */
function asksOf(db: Db, boardId: string): number | null {
  const read = jobsOfBoard(db, boardId)
    .flatMap(({ events }) => events)
    .flatMap((e) =>
      e.kind === 'step-done' && e.supply ? [{ at_ms: e.at_ms, asks_V: e.supply.asks_V }] : [],
    );
  const told = { at_ms: -1, asks_V: getBoard(db, boardId).asks_V };
  return read.reduce((a, b) => (b.at_ms >= a.at_ms ? b : a), told).asks_V;
}

/** So many of the last jobs are looked at for how the bench's supply was limited. */
const LOOKED_AT = 20;

/** The limit that the bench's supply was last read at, A: it stands until somebody turns it. */
function lastLimit_A(db: Db): number | null {
  const read = lastClosed(db, LOOKED_AT).flatMap(({ events }) =>
    events.flatMap((e) => (e.kind === 'step-done' && e.supply ? [e] : [])),
  );
  return (
    read.reduce<(typeof read)[number] | null>((a, b) => (a && a.at_ms >= b.at_ms ? a : b), null)?.supply
      ?.limit_A ?? null
  );
}
