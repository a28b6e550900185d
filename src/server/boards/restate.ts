import { clocksOf } from '~/core/record/boardEntries';
import { waitingOf } from '~/core/record/waiting';
import type { Db } from '~/server/store/db';
import { getBoard, keepRules, openBoardIds, rulesOf, setWaiting } from '~/server/store/repositories/boards';
import { readSites, type SiteWithPads } from '~/server/store/repositories/sites';
import { openBoard, type OpenBoard } from './openBoard';

/**
 * Writes on a board's row what it waits for now, read from its whole record, which is given back. Called within the
 * transaction of every entry that can change it. Sites that were made in it need not be read back.
 */
export function restate(db: Db, boardId: string, made: readonly SiteWithPads[] = []): OpenBoard {
  const read = openBoard(db, boardId, made);
  const now = waitingOf(read.stage, read.open, read.jobs, read.sites, clocksOf(read.entries));
  const board = getBoard(db, boardId);
  if (
    board.waitingFor !== now.waitingFor ||
    board.nextAction !== now.nextAction ||
    board.outcome !== now.outcome
  )
    setWaiting(db, boardId, now);
  return read;
}

/** What rows say is reckoned by these rules; raise it whenever a board would wait for something else by the same record. */
const RULES = 1;

/**
 * Rows that an earlier version wrote say what their record says; one that cannot be read is told of and left. Once for each
 * change of the rules, giving way between boards: an old workshop has thousands, and nobody waits for it.
 */
export async function restateAll(db: Db): Promise<void> {
  if (rulesOf(db) >= RULES) return;
  for (const id of openBoardIds(db)) {
    try {
      await readSites(db, id);
      db.transaction(() => restate(db, id));
    } catch (error) {
      console.error(`board ${id} cannot be read:`, error);
    }
    await new Promise(setImmediate);
  }
  keepRules(db, RULES);
}
