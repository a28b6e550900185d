import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from '~/schema/records/tables';

export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };

/**
 * Opens a database and brings it to the newest migration. WAL with full sync: a write that was
 * acknowledged survives the process being killed and the power going.
 */
export function openDatabase(file: string, migrationsFolder: string): Db {
  const client = new Database(file);
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 5000');
  const db = drizzle(client, { schema }) as Db;
  migrate(db, { migrationsFolder });
  return db;
}

/** Folds the write-ahead log into the file and closes it. */
export function closeDatabase(db: Db): void {
  db.$client.pragma('wal_checkpoint(TRUNCATE)');
  db.$client.close();
}
