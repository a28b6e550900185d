import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { PartOrderRow } from './partOrder';

export const partOrders = sqliteTable(
  'part_orders',
  {
    id: textColumn('id').primaryKey(),
    supplier: textColumn('supplier').notNull(),
    expected_ms: integer('expected_ms'),
    lines: textColumn('lines', { mode: 'json' }).$type<PartOrderRow['lines']>().notNull(),
    boards: textColumn('boards', { mode: 'json' }).$type<PartOrderRow['boards']>().notNull(),
    state: textColumn('state').$type<PartOrderRow['state']>().notNull(),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
    ended_ms: integer('ended_ms'),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [index('part_orders_by_state').on(table.state, table.expected_ms)],
);
