import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { boards } from '../board/board.table';
import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';

export const recaps = sqliteTable(
  'recaps',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    name: textColumn('name').notNull(),
    by: textColumn('by').notNull(),
    order: textColumn('order').$type<'value' | 'area'>().notNull(),
    siteIds: textColumn('site_ids', { mode: 'json' }).$type<string[]>().notNull(),
    answer: textColumn('answer', { mode: 'json' }).$type<RecapAnswer>().notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [index('recaps_board').on(table.boardId, table.at_ms)],
);
