import { integer, sqliteTable, text as textColumn, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { AnyPackageInput } from '~/schema/values/package';

export const libraryPackages = sqliteTable(
  'library_packages',
  {
    id: textColumn('id').primaryKey(),
    name: textColumn('name').notNull(),
    package: textColumn('package', { mode: 'json' }).$type<AnyPackageInput>().notNull(),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [uniqueIndex('library_packages_name').on(table.name)],
);
