import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { ThermalProfile } from '~/schema/values/thermalProfile';
import { jobs } from './job.table';

export const thermalLogs = sqliteTable(
  'thermal_logs',
  {
    id: textColumn('id').primaryKey(),
    jobId: textColumn('job_id')
      .notNull()
      .references(() => jobs.id),
    ofSeq: integer('of_seq'),
    origin: textColumn('origin').$type<'instruments' | 'file'>().notNull(),
    simulated: integer('simulated', { mode: 'boolean' }).notNull(),
    landChannel: textColumn('land_channel'),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
    profile: textColumn('profile', { mode: 'json' }).$type<ThermalProfile>().notNull(),
  },
  (table) => [index('thermal_logs_job').on(table.jobId, table.at_ms)],
);
