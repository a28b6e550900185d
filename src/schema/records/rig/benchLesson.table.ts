import { integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { LessonBody } from './benchLesson';

export const benchLessons = sqliteTable('bench_lessons', {
  about: textColumn('about').primaryKey(),
  body: textColumn('body', { mode: 'json' }).$type<LessonBody>(),
  since_ms: integer('since_ms').notNull().default(0),
  at_ms: integer('at_ms').notNull(),
});
