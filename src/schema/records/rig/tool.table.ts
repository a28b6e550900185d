import { integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { ToolSpec } from '~/schema/values/toolSpec';

export const tools = sqliteTable('tools', {
  id: textColumn('id').primaryKey(),
  name: textColumn('name').notNull(),
  spec: textColumn('spec', { mode: 'json' }).$type<ToolSpec>().notNull(),
  retired: integer('retired', { mode: 'boolean' }).notNull().default(false),
  offset_K: real('offset_k').notNull().default(0),
  checkedAt_ms: integer('checked_at_ms'),
  hours: real('hours').notNull().default(0),
  clogged: real('clogged').notNull().default(0),
  revision: integer('revision').notNull().default(1),
});
