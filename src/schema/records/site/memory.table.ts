import { blob, index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { MemoryEntryBody } from '~/core/record/memoryEntries';
import { sites } from './site.table';

export const memoryDumps = sqliteTable(
  'memory_dumps',
  {
    id: textColumn('id').primaryKey(),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    name: textColumn('name').notNull(),
    size_bytes: integer('size_bytes').notNull(),
    crc32: textColumn('crc32').notNull(),
    sum16: textColumn('sum16').notNull(),
    sha256: textColumn('sha256').notNull(),
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [index('memory_dumps_site').on(table.siteId, table.at_ms)],
);

export const memoryEntries = sqliteTable(
  'memory_entries',
  {
    id: textColumn('id').primaryKey(),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    at_ms: integer('at_ms').notNull(),
    by: textColumn('by').notNull(),
    body: textColumn('body', { mode: 'json' }).$type<MemoryEntryBody>().notNull(),
  },
  (table) => [index('memory_entries_site').on(table.siteId, table.at_ms)],
);
