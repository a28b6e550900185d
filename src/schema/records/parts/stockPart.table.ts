import { index, integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { sites } from '../site/site.table';
import type { PartMove, PartReading, StockPartRecord } from './stockPart';

export const stockParts = sqliteTable(
  'stock_parts',
  {
    id: textColumn('id').primaryKey(),
    kind: textColumn('kind').notNull(),
    /** Farad, ohm or henry: lines stand in its order; null for what has none. */
    value: real('value'),
    /** What it is found by: its own words, in small letters. */
    words: textColumn('words').notNull(),
    part: textColumn('part', { mode: 'json' }).$type<StockPartRecord['part']>().notNull(),
    drawer: textColumn('drawer').notNull(),
    batch: textColumn('batch').notNull(),
    low: integer('low').notNull(),
    state: textColumn('state').$type<StockPartRecord['state']>().notNull(),
    because: textColumn('because').notNull(),
    /** What its moves leave of it, kept in the same transaction as each. */
    left: integer('left').notNull(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [
    index('stock_parts_of_kind').on(table.kind, table.words),
    index('stock_parts_by_value').on(table.kind, table.value),
  ],
);

export const partMoves = sqliteTable(
  'part_moves',
  {
    id: textColumn('id').primaryKey(),
    partId: textColumn('part_id')
      .notNull()
      .references(() => stockParts.id),
    change: integer('change').notNull(),
    reason: textColumn('reason').$type<PartMove['reason']>().notNull(),
    siteId: textColumn('site_id').references(() => sites.id),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [index('part_moves_of').on(table.partId, table.at_ms)],
);

export const partReadings = sqliteTable(
  'part_readings',
  {
    id: textColumn('id').primaryKey(),
    partId: textColumn('part_id')
      .notNull()
      .references(() => stockParts.id),
    reading: textColumn('reading', { mode: 'json' }).$type<PartReading['reading']>().notNull(),
    verdict: textColumn('verdict').$type<PartReading['verdict']>().notNull(),
    reason: textColumn('reason').notNull(),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [index('part_readings_of').on(table.partId, table.at_ms)],
);
