import { LRUCache } from 'lru-cache';
import { clockOf } from '~/core/record/clock';
import { runState } from '~/core/record/runState';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import type { Db } from '~/server/store/db';
import { findBoards } from '~/server/store/repositories/boards';
import { dbName, getJob, runningNow } from '~/server/store/repositories/jobs';

/** What a job's own entries say on the rail; its board's name may change without it. */
type OwnLine = Omit<RailLine, 'boardName'>;

/** So many jobs under way are kept as they stand; each is read again only after a further entry. */
const linesKept = new LRUCache<string, OwnLine>({ max: 1000 });

/** Every job under way, running clocks first and the nearest end on top. */
export function railOf(db: Db, now_ms: number): Rail {
  const running = jobsUnderWay(db);
  const boardIds = running.map(({ boardId }) => boardId);
  const names = new Map(findBoards(db, boardIds).map((b) => [b.id, b.name]));
  const lines = running.map(({ boardId, ...line }): RailLine => ({
    ...line,
    boardName: names.get(boardId) ?? '',
  }));
  const due = (line: RailLine): number => line.clock?.due_ms ?? Infinity;
  return { now_ms, lines: lines.sort((a, b) => due(a) - due(b)) };
}

/** Jobs under way with the clock that runs on each, the latest begun first. */
export const jobsUnderWay = (db: Db): (OwnLine & { readonly boardId: string })[] =>
  runningNow(db).map(({ id, boardId, lastSeq }) => {
    const key = `${dbName(db)} ${id} ${lastSeq}`;
    const own = linesKept.get(key) ?? ownLine(db, id);
    linesKept.set(key, own);
    return { ...own, boardId };
  });

function ownLine(db: Db, id: string): OwnLine {
  const { job, events } = getJob(db, id);
  const { steps } = job.plan;
  const state = runState(steps, events);
  return {
    jobId: job.id,
    siteRef: job.plan.site.ref,
    step: steps[state.stepIndex]?.title ?? 'Close the job',
    clock: clockOf(state, steps),
  };
}
