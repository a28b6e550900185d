import {
  index,
  integer,
  sqliteTable,
  text as textColumn,
  type AnySQLiteColumn,
} from 'drizzle-orm/sqlite-core';
import type { PadStateId } from '~/core/record/padStates';
import { boards } from '../board/board.table';
import { jobs } from '../jobs/job.table';
import { pads } from './pad.table';
import { sites } from './site.table';

export const findings = sqliteTable(
  'findings',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    padId: textColumn('pad_id')
      .notNull()
      .references(() => pads.id),
    state: textColumn('state').$type<PadStateId>().notNull(),
    otherPadId: textColumn('other_pad_id').references(() => pads.id),
    foundAs: textColumn('found_as').$type<'as-received' | 'done-here'>().notNull(),
    jobId: textColumn('job_id').references(() => jobs.id),
    takesBackId: textColumn('takes_back_id').references((): AnySQLiteColumn => findings.id),
    note: textColumn('note').notNull().default(''),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [
    index('findings_board').on(table.boardId, table.at_ms),
    index('findings_pad').on(table.padId),
    index('findings_job').on(table.jobId),
  ],
);
