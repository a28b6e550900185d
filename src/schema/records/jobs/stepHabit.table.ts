import { integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { StepEdit } from '~/core/method/steps/edits';

export const stepHabits = sqliteTable('step_habits', {
  method: textColumn('method').primaryKey(),
  edits: textColumn('edits', { mode: 'json' }).$type<StepEdit[]>().notNull(),
  by: textColumn('by').notNull(),
  at_ms: integer('at_ms').notNull(),
  revision: integer('revision').notNull().default(1),
});
