import { sql } from 'drizzle-orm';
import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { ClockKind } from '~/core/record/boardClock';
import { boards } from './board.table';

/** Clocks as the board's entries leave them, kept in the same transaction: what runs is asked for by every page. */
export const boardClocks = sqliteTable(
  'board_clocks',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    kind: textColumn('kind').$type<ClockKind>().notNull(),
    what: textColumn('what').notNull(),
    siteId: textColumn('site_id'),
    jobId: textColumn('job_id'),
    stepId: textColumn('step_id'),
    started_ms: integer('started_ms').notNull(),
    due_ms: integer('due_ms').notNull(),
    ended_ms: integer('ended_ms'),
  },
  (table) => [
    index('board_clocks_running')
      .on(table.due_ms)
      .where(sql`ended_ms is null`),
    index('board_clocks_board').on(table.boardId),
  ],
);
