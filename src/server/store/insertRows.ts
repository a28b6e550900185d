import { getTableColumns, getTableName, type Table } from 'drizzle-orm';
import type { Db } from './db';

/** Values of a statement, well below SQLite's limit of 32 766. */
const VALUES_AT_ONCE = 8000;

/**
 * Writes many rows of a table by few statements. Each statement makes the search's index write what it has gathered, which for a
 * row at a time takes far longer than the rows; and the query builder takes longer over so many values than SQLite does.
 */
export function insertRows<T extends Table>(db: Db, table: T, rows: readonly T['$inferSelect'][]): void {
  const columns = Object.entries(getTableColumns(table));
  const names = columns.map(([, column]) => `"${column.name}"`).join(', ');
  const row = `(${columns.map(() => '?').join(', ')})`;
  const atOnce = Math.floor(VALUES_AT_ONCE / columns.length);
  for (let i = 0; i < rows.length; i += atOnce) {
    const some = rows.slice(i, i + atOnce);
    const values = some.flatMap((one) =>
      columns.map(([key, column]) => {
        const value: unknown = one[key as keyof typeof one];
        return value === null || value === undefined ? null : column.mapToDriverValue(value);
      }),
    );
    db.$client
      .prepare(`INSERT INTO "${getTableName(table)}" (${names}) VALUES ${some.map(() => row).join(', ')}`)
      .run(...values);
  }
}
