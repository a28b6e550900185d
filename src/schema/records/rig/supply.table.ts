import { sql } from 'drizzle-orm';
import { index, integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { jobs } from '../jobs/job.table';
import type { SupplyMove } from './supply';
import type { SupplySpec } from '~/schema/values/supplySpec';

export const supplies = sqliteTable('supplies', {
  id: textColumn('id').primaryKey(),
  name: textColumn('name').notNull(),
  spec: textColumn('spec', { mode: 'json' }).$type<SupplySpec>().notNull(),
  low: real('low').notNull().default(0),
  retired: integer('retired', { mode: 'boolean' }).notNull().default(false),
  revision: integer('revision').notNull().default(1),
});

export const supplyMoves = sqliteTable(
  'supply_moves',
  {
    id: textColumn('id').primaryKey(),
    supplyId: textColumn('supply_id')
      .notNull()
      .references(() => supplies.id),
    change: real('change').notNull(),
    reason: textColumn('reason').$type<SupplyMove['reason']>().notNull(),
    jobId: textColumn('job_id').references(() => jobs.id),
    /** Of what is used from here on; null: as before. */
    batch: textColumn('batch'),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [
    index('supply_moves_of').on(table.supplyId, table.at_ms),
    index('supply_moves_batch')
      .on(table.supplyId)
      .where(sql`batch is not null`),
  ],
);
