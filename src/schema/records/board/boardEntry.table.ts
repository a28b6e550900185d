import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { BoardEntryBody } from '~/core/record/boardEntries';
import { boards } from './board.table';

export const boardEntries = sqliteTable(
  'board_entries',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    at_ms: integer('at_ms').notNull(),
    by: textColumn('by').notNull(),
    body: textColumn('body', { mode: 'json' }).$type<BoardEntryBody>().notNull(),
  },
  (table) => [index('board_entries_board').on(table.boardId, table.at_ms)],
);
