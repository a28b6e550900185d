import { sql, type SQL } from 'drizzle-orm';
import { index, integer, primaryKey, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { RunEventBody } from '~/core/record/runEvents';
import { jobs } from './job.table';

/** Whether a supply was read in an entry: as its index has it, which allows no name of a table. */
export const READS_SUPPLY: SQL = sql`json_extract(body, '$.supply') is not null`;

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
  (table) => [
    primaryKey({ columns: [table.jobId, table.seq] }),
    index('run_events_at').on(table.at_ms),
    // One in a hundred entries: the last of them is asked for by every job.
    index('run_events_supply').on(table.at_ms).where(READS_SUPPLY),
  ],
);
