import { index, integer, primaryKey, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { RunEventBody } from '~/core/record/runEvents';
import { jobs } from './job.table';

export const runEvents = sqliteTable(
  'run_events',
  {
    jobId: textColumn('job_id')
      .notNull()
      .references(() => jobs.id),
    seq: integer('seq').notNull(),
    clientId: textColumn('client_id').notNull().unique(),
    at_ms: integer('at_ms').notNull(),
    by: textColumn('by').notNull(),
    body: textColumn('body', { mode: 'json' }).$type<RunEventBody>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.seq] }), index('run_events_at').on(table.at_ms)],
);
