import { eq, inArray, sql } from 'drizzle-orm';
import type { BoardEntry } from '~/core/record/boardEntries';
import { boardEntryOf, boardEntryRow, type BoardEntryRow } from '~/schema/records/board/boardEntry';
import { boardEntries } from '~/schema/records/board/boardEntry.table';
import type { Db } from '../db';
import { ready } from '../ready';
import { asWritten } from '../order';

const ofBoard = ready((db) =>
  db
    .select()
    .from(boardEntries)
    .where(eq(boardEntries.boardId, sql.placeholder('boardId')))
    .orderBy(asWritten(boardEntries))
    .prepare(),
);

/** Entries of one board, in order of time. */
export const boardEntriesOf = (db: Db, boardId: string): BoardEntry[] =>
  ofBoard(db)
    .all({ boardId })
    .map((row) => boardEntryOf(boardEntryRow.parse(row)));

/** Appends an entry; one that was sent before is left as it was written then. Says whether it is new. */
export const addBoardEntry = (db: Db, row: BoardEntryRow): boolean =>
  db.insert(boardEntries).values(row).onConflictDoNothing().run().changes > 0;

/** Kinds of entry that say when a board came, waited, was put off and went back. */
const STAYING = ['parked', 'resumed', 'handed-back', 'scrapped', 'reopened', 'settled'];

/** Those entries of every board, in order of time. */
export function stayingEntries(db: Db): ReadonlyMap<string, readonly BoardEntry[]> {
  const byBoard = new Map<string, BoardEntry[]>();
  const kind = sql<string>`json_extract(${boardEntries.body}, '$.kind')`;
  const rows = db
    .select()
    .from(boardEntries)
    .where(inArray(kind, STAYING))
    .orderBy(asWritten(boardEntries))
    .all();
  for (const row of rows) {
    const list = byBoard.get(row.boardId) ?? [];
    byBoard.set(row.boardId, list);
    list.push(boardEntryOf(boardEntryRow.parse(row)));
  }
  return byBoard;
}
