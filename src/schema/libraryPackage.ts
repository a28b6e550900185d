import { integer, sqliteTable, text as textColumn, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { initials, recordId, text, whenever_ms } from './fields';
import { anyPackage, type AnyPackageInput } from './package';

/** An outline that the bench keeps under a name of its own. */
export const newLibraryPackage = z.strictObject({
  name: text(1, 60),
  package: anyPackage,
  by: initials,
});
export type NewLibraryPackage = z.infer<typeof newLibraryPackage>;

export const libraryPackageRecord = newLibraryPackage.extend({ id: recordId, at_ms: whenever_ms });
export type LibraryPackageRecord = z.infer<typeof libraryPackageRecord>;

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
