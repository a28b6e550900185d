import { integer, sqliteTable, text as textColumn, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { boards } from './board.table';

export const siteGroups = sqliteTable(
  'site_groups',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    name: textColumn('name').notNull(),
    siteIds: textColumn('site_ids', { mode: 'json' }).$type<string[]>().notNull(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [uniqueIndex('site_groups_name').on(table.boardId, table.name)],
);
