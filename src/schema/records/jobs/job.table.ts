import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { Goal } from '~/core/method/goals';
import type { Outcome } from '~/core/record/outcomes';
import { boards } from '../board/board.table';
import { sites } from '../site/site.table';
import { recaps } from './recap.table';

export const jobs = sqliteTable(
  'jobs',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    recapId: textColumn('recap_id').references(() => recaps.id),
    goal: textColumn('goal').$type<Goal>().notNull(),
    by: textColumn('by').notNull(),
    status: textColumn('status').$type<'running' | 'closed'>().notNull(),
    input: textColumn('input', { mode: 'json' }).$type<unknown>().notNull(),
    setting: textColumn('setting', { mode: 'json' }).$type<unknown>().notNull(),
    choices: textColumn('choices', { mode: 'json' }).$type<unknown>().notNull().default([]),
    plan: textColumn('plan', { mode: 'json' }).$type<unknown>().notNull(),
    modelVersion: textColumn('model_version').notNull(),
    outcome: textColumn('outcome').$type<Outcome>(),
    cause: textColumn('cause').notNull().default(''),
    acceptedAt_ms: integer('accepted_at_ms').notNull(),
    closedAt_ms: integer('closed_at_ms'),
    lastSeq: integer('last_seq').notNull().default(0),
    /** Of the accepted plan, apart so that a track record is counted and not read: what was worked on and by which method. */
    family: textColumn('family'),
    method: textColumn('method'),
  },
  (table) => [
    index('jobs_board').on(table.boardId, table.acceptedAt_ms),
    index('jobs_status').on(table.status),
    index('jobs_closed').on(table.status, table.closedAt_ms),
    index('jobs_record').on(table.status, table.family, table.by, table.method),
    index('jobs_site').on(table.siteId),
  ],
);
