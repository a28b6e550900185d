import { index, integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { Verdict } from '~/core/electrical/judgement';
import { boards } from '../board/board.table';
import { pads } from './pad.table';
import { sites } from './site.table';
import type { ContinuityKind } from './continuityReading';

export const continuityReadings = sqliteTable(
  'readings',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    kind: textColumn('kind').$type<ContinuityKind>().notNull(),
    padId: textColumn('pad_id')
      .notNull()
      .references(() => pads.id),
    otherPadId: textColumn('other_pad_id')
      .notNull()
      .references(() => pads.id),
    value_Ohm: real('value_ohm'),
    limit_Ohm: real('limit_ohm').notNull(),
    verdict: textColumn('verdict').$type<Verdict>().notNull(),
    note: textColumn('note').notNull().default(''),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [
    index('readings_site').on(table.siteId, table.at_ms),
    index('readings_board').on(table.boardId),
  ],
);
