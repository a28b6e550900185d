import { blob, index, integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { boards } from './board.table';
import type { ImportRecord } from './boardImport';
import type { BoardProfile } from '~/schema/values/boardProfile';

export const imports = sqliteTable(
  'imports',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
    files: textColumn('files', { mode: 'json' }).$type<ImportRecord['files']>().notNull(),
    siteIds: textColumn('site_ids', { mode: 'json' }).$type<string[]>().notNull(),
    profile: textColumn('profile', { mode: 'json' }).$type<BoardProfile>(),
    undoneAt_ms: integer('undone_at_ms'),
  },
  (table) => [index('imports_board').on(table.boardId, table.at_ms)],
);

export const artworks = sqliteTable(
  'artworks',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    importId: textColumn('import_id')
      .notNull()
      .references(() => imports.id),
    layer: integer('layer').notNull(),
    file: textColumn('file').notNull(),
    nx: integer('nx').notNull(),
    ny: integer('ny').notNull(),
    coverage: real('coverage').notNull(),
    cells: blob('cells', { mode: 'buffer' }).notNull(),
  },
  (table) => [index('artworks_board').on(table.boardId, table.layer)],
);
