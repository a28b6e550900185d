import { integer, primaryKey, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { KeptDraws } from './jobDraws';
import { jobs } from './job.table';

export const jobDraws = sqliteTable(
  'job_draws',
  {
    jobId: textColumn('job_id')
      .notNull()
      .references(() => jobs.id),
    phase: textColumn('phase').$type<'remove' | 'reflow' | 'fit'>().notNull(),
    modelVersion: textColumn('model_version').notNull(),
    body: textColumn('body', { mode: 'json' }).$type<KeptDraws>().notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.phase] })],
);
