import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from '~/schema/records/tables';
import { checkFile } from './fileCheck';

export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };

/**
 * Opens a database, checks it, and brings it to the newest migration. WAL with full sync: a write that was acknowledged
 * survives the process being killed and the power going. Throws `UnusableFile` with words for the bench.
 */
export function openDatabase(file: string, migrationsFolder: string): Db {
  const client = new Database(file);
  try {
    checkFile(client, migrationsFolder);
    client.pragma('journal_mode = WAL');
    client.pragma('synchronous = FULL');
    client.pragma('foreign_keys = ON');
    // What is taken away is overwritten, not only let go.
    client.pragma('secure_delete = ON');
    client.pragma('busy_timeout = 5000');
    const db = withImmediate(drizzle(client, { schema }));
    migrate(db, { migrationsFolder });
    return db;
  } catch (error) {
    client.close();
    throw error;
  }
}

/**
 * Transactions that take the write lock when they begin: one that read first and then could not write would fail where it
 * only had to wait.
 */
function withImmediate(db: Db): Db {
  const begin: Db['transaction'] = db.transaction.bind(db);
  db.transaction = (work, config) => begin(work, { behavior: 'immediate', ...config });
  return db;
}

/** Folds the write-ahead log into the file and closes it. */
export function closeDatabase(db: Db): void {
  db.$client.pragma('wal_checkpoint(TRUNCATE)');
  db.$client.close();
}
