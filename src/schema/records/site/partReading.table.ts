import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { SitePartReading } from './partReading';
import { sites } from './site.table';

export const sitePartReadings = sqliteTable(
  'site_part_readings',
  {
    id: textColumn('id').primaryKey(),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    part: textColumn('part', { mode: 'json' }).$type<SitePartReading['part']>().notNull(),
    reading: textColumn('reading', { mode: 'json' }).$type<SitePartReading['reading']>().notNull(),
    verdict: textColumn('verdict').$type<SitePartReading['verdict']>().notNull(),
    reason: textColumn('reason').notNull(),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [index('site_part_readings_of').on(table.siteId, table.at_ms)],
);
