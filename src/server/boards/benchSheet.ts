import type { BenchBoard, BenchFinds, BenchSheet } from '~/schema/sheets/benchSheet';
import { jobsUnderWay } from '~/server/jobs/clocks';
import type { Db } from '~/server/store/db';
import { findOnBoards, namedLike } from '~/server/store/repositories/boardFinds';
import { benchLines, closedCount, type BenchLine } from '~/server/store/repositories/boards';

/** Boards of the bench, each with the end of the clock that it waits for. */
export const benchSheet = (db: Db): BenchSheet => ({
  boards: withClocks(db, benchLines(db, 'bench')),
  closed: closedCount(db),
});

/** Boards by what is told of them and by what is on them, closed long ago or not. */
export function benchFinds(db: Db, text: string): BenchFinds {
  const finds = findOnBoards(db, text);
  const ids = new Set([...finds.map(({ boardId }) => boardId), ...namedLike(db, text)]);
  return { finds, boards: withClocks(db, benchLines(db, [...ids])) };
}

function withClocks(db: Db, lines: readonly BenchLine[]): BenchBoard[] {
  const due = new Map<string, number>();
  for (const { boardId, clock } of jobsUnderWay(db))
    if (clock) due.set(boardId, Math.max(clock.due_ms, due.get(boardId) ?? 0));
  return lines.map((line) => ({ ...line, due_ms: due.get(line.id) ?? null }));
}
