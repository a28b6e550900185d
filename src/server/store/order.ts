import { sql, type SQL } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';

/**
 * As rows were written, whatever the clock did meanwhile: rows of a record are only ever added, so that the number SQLite
 * gives each grows, and a copy of the database keeps their order. What was written last is what holds.
 */
export const asWritten = (table: SQLiteTable): SQL => sql`${table}.rowid`;
export const lastWrittenFirst = (table: SQLiteTable): SQL => sql`${table}.rowid desc`;
