import { WAITING_FOR, type WaitingFor } from '~/core/record/waiting';
import { BENCH_PAGE, type BenchBoard, type BenchFinds, type BenchSheet } from '~/schema/sheets/benchSheet';
import { linesUnderWay } from '~/server/jobs/clocks';
import type { Db } from '~/server/store/db';
import { findOnBoards } from '~/server/store/repositories/boardFinds';
import { linesOf, waitingCounts, waitingLines, type BenchLine } from '~/server/store/repositories/boards';

/** Whose clock may have ended: all of them are on the page, which watches the clocks. */
const CLOCKED: ReadonlySet<WaitingFor> = new Set(['heat', 'drying', 'cure']);
const MOST_CLOCKED = 1000;

/** The bench: of each thing that is waited for the first boards, each with the end of its clock, and how many there are. */
export function benchSheet(db: Db): BenchSheet {
  const counts = waitingCounts(db);
  return {
    counts,
    boards: withClocks(
      db,
      WAITING_FOR.filter((waits) => counts[waits]).flatMap((waits) =>
        waitingLines(db, waits, 0, CLOCKED.has(waits) ? MOST_CLOCKED : BENCH_PAGE),
      ),
    ),
  };
}

/** The next boards that wait for one thing. */
export const benchPage = (db: Db, waits: WaitingFor, from: number): readonly BenchBoard[] =>
  withClocks(db, waitingLines(db, waits, from, BENCH_PAGE));

/** Boards by what is told of them and by what is on them, closed long ago or not. */
export function benchFinds(db: Db, text: string): BenchFinds {
  const { boardIds, finds } = findOnBoards(db, text);
  return { finds, boards: withClocks(db, linesOf(db, boardIds)) };
}

function withClocks(db: Db, lines: readonly BenchLine[]): BenchBoard[] {
  const due = new Map<string, number>();
  for (const { boardId, clock } of linesUnderWay(db))
    if (clock) due.set(boardId, Math.max(clock.due_ms, due.get(boardId) ?? 0));
  return lines.map((line) => ({ ...line, due_ms: due.get(line.id) ?? null }));
}
