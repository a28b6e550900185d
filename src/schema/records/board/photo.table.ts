import { blob, index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { boards } from './board.table';
import { faceFindings } from './faceFinding.table';
import { findings } from '../site/finding.table';
import type { TakenAway } from './photo';
import type { Calibration } from '~/schema/values/calibration';

export const photos = sqliteTable(
  'photos',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    side: textColumn('side').$type<'top' | 'bottom'>(),
    findingId: textColumn('finding_id').references(() => findings.id),
    faceFindingId: textColumn('face_finding_id').references(() => faceFindings.id),
    caption: textColumn('caption').notNull().default(''),
    by: textColumn('by').notNull(),
    width_px: integer('width_px').notNull(),
    height_px: integer('height_px').notNull(),
    calibration: textColumn('calibration', { mode: 'json' }).$type<Calibration>(),
    /** JPEG, upright, without anything else the camera wrote. */
    picture: blob('picture', { mode: 'buffer' }).notNull(),
    /** Who took its picture away, and why; the picture is empty then. */
    takenAway: textColumn('taken_away', { mode: 'json' }).$type<TakenAway>(),
    at_ms: integer('at_ms').notNull(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [index('photos_board').on(table.boardId, table.at_ms)],
);
