import { LRUCache } from 'lru-cache';
import { CLOCKS } from '~/core/record/boardClock';
import { clockInWords } from '~/core/record/boardEntries';
import { clockOf } from '~/core/record/clock';
import { runState } from '~/core/record/runState';
import type { BoardClockRow } from '~/schema/records/board/boardClock';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import type { Db } from '~/server/store/db';
import { runningClocks } from '~/server/store/repositories/boardClocks';
import { findBoards } from '~/server/store/repositories/boards';
import { siteRefs } from '~/server/store/repositories/sites';
import { dbName, getJob, runningNow } from '~/server/store/repositories/jobs';

/** What a job's own entries say on the rail; its board's name may change without it. */
type OwnLine = Omit<RailLine, 'boardName'>;

/** So many jobs under way are kept as they stand; each is read again only after a further entry. */
const linesKept = new LRUCache<string, OwnLine>({ max: 1000 });

/** Every job under way and every clock of a board, running clocks first and the nearest end on top. */
export function railOf(db: Db, now_ms: number): Rail {
  const running = linesUnderWay(db);
  const boardIds = [...new Set(running.map(({ boardId }) => boardId))];
  const names = new Map(findBoards(db, boardIds).map((b) => [b.id, b.name]));
  const lines = running.map((line): RailLine => ({ ...line, boardName: names.get(line.boardId) ?? '' }));
  const due = (line: RailLine): number => line.clock?.due_ms ?? Infinity;
  return { now_ms, lines: lines.sort((a, b) => due(a) - due(b)) };
}

/** Jobs under way with the clock that runs on each, the latest begun first; then the clocks that belong to none of them. */
export function linesUnderWay(db: Db): OwnLine[] {
  const clocks = runningClocks(db);
  const shown = new Set<string>();
  const jobs = runningNow(db).map(({ id, lastSeq }): OwnLine => {
    const key = `${dbName(db)} ${id} ${lastSeq}`;
    const own = linesKept.get(key) ?? ownLine(db, id);
    linesKept.set(key, own);
    const kept = clocks.find((c) => c.jobId === id && c.stepId === own.stepId);
    if (kept) shown.add(kept.id);
    return own.clock?.kind === 'wait' && kept
      ? { ...own, clock: { ...own.clock, due_ms: kept.due_ms }, ...meaningOf(kept) }
      : own;
  });
  const rest = clocks.filter((c) => !shown.has(c.id));
  const refs = siteRefs(
    db,
    rest.flatMap((c) => c.siteId ?? []),
  );
  return [...jobs, ...rest.map((c) => clockLine(c, refs.get(c.siteId ?? '') ?? ''))];
}

function ownLine(db: Db, id: string): OwnLine {
  const { job, events } = getJob(db, id);
  const state = runState(job.plan.steps, events);
  const step = job.plan.steps[state.stepIndex];
  return {
    key: job.id,
    href: `/jobs/${job.id}`,
    boardId: job.boardId,
    jobId: job.id,
    siteRef: job.plan.site.ref,
    step: step?.title ?? 'Close the job',
    stepId: step?.id ?? null,
    clock: clockOf(state, job.plan.steps),
    then: '',
    gates: null,
  };
}

const meaningOf = ({ kind }: BoardClockRow): Pick<RailLine, 'then' | 'gates'> => ({
  then: CLOCKS[kind].then,
  gates: CLOCKS[kind].gates,
});

const clockLine = (clock: BoardClockRow, siteRef: string): OwnLine => ({
  key: clock.id,
  href: `/boards/${clock.boardId}#clocks`,
  boardId: clock.boardId,
  jobId: null,
  siteRef,
  step: clockInWords(clock),
  stepId: null,
  clock: { kind: 'wait', label: clockInWords(clock), started_ms: clock.started_ms, due_ms: clock.due_ms },
  ...meaningOf(clock),
});
