import {
  index,
  integer,
  sqliteTable,
  text as textColumn,
  type AnySQLiteColumn,
} from 'drizzle-orm/sqlite-core';
import { boards } from './board.table';
import type { FacePoint } from './faceFinding';
import type { PlaceKind, FaceState } from '~/core/record/faceStates';

export const faceFindings = sqliteTable(
  'face_findings',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    side: textColumn('side').$type<'top' | 'bottom'>().notNull(),
    kind: textColumn('kind').$type<PlaceKind>().notNull(),
    points: textColumn('points', { mode: 'json' }).$type<FacePoint[]>().notNull(),
    state: textColumn('state').$type<FaceState>().notNull(),
    foundAs: textColumn('found_as').$type<'as-received' | 'done-here'>().notNull(),
    followsId: textColumn('follows_id').references((): AnySQLiteColumn => faceFindings.id),
    note: textColumn('note').notNull().default(''),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [index('face_findings_board').on(table.boardId, table.at_ms)],
);
