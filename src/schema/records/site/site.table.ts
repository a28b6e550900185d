import { index, integer, real, sqliteTable, text as textColumn, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Polarity } from '~/core/packages/polarity';
import type { AlloyId } from '~/core/materials/alloys';
import { boards } from '../board/board.table';
import type { AnyPackageInput } from '~/schema/values/package';

export const sites = sqliteTable(
  'sites',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    ref: textColumn('ref').notNull(),
    value: textColumn('value').notNull().default(''),
    side: textColumn('side').$type<'top' | 'bottom'>().notNull(),
    x_mm: real('x_mm').notNull(),
    y_mm: real('y_mm').notNull(),
    rotation_deg: real('rotation_deg').notNull().default(0),
    alloy: textColumn('alloy').$type<AlloyId>().notNull(),
    package: textColumn('package', { mode: 'json' }).$type<AnyPackageInput>().notNull(),
    clinched: integer('clinched', { mode: 'boolean' }).notNull().default(false),
    polarity: textColumn('polarity', { mode: 'json' }).$type<Polarity>(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [uniqueIndex('sites_ref').on(table.boardId, table.ref), index('sites_board').on(table.boardId)],
);
