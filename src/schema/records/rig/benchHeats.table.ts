import { index, integer, primaryKey, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { boards } from '../board/board.table';
import { jobs } from '../jobs/job.table';
import { tools } from './tool.table';
import type { HeatsKept } from './benchHeats';

export const benchHeats = sqliteTable(
  'bench_heats',
  {
    jobId: textColumn('job_id')
      .notNull()
      .references(() => jobs.id),
    phase: textColumn('phase').$type<'remove' | 'reflow' | 'fit'>().notNull(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    toolId: textColumn('tool_id')
      .notNull()
      .references(() => tools.id),
    tip: textColumn('tip').notNull(),
    at_ms: integer('at_ms').notNull(),
    heats: textColumn('heats', { mode: 'json' }).$type<HeatsKept>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.phase] }),
    index('bench_heats_by_tip').on(table.tip, table.at_ms),
    index('bench_heats_by_board').on(table.boardId, table.at_ms),
  ],
);
