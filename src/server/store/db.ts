import Database from 'better-sqlite3';
import { LRUCache } from 'lru-cache';
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
    // Only now: a statement does not outlive a change of the tables that it reads.
    rememberStatements(client);
    return db;
  } catch (error) {
    client.close();
    throw error;
  }
}

/** Opens a database that is open already, to read from a thread of its own. */
export function openToRead(file: string): Db {
  const client = new Database(file, { readonly: true });
  client.pragma('busy_timeout = 5000');
  rememberStatements(client);
  return drizzle(client, { schema });
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

/** Statements kept ready: a page asks for some dozens, always the same. */
const MOST_STATEMENTS = 500;

/**
 * Keeps statements that were made ready once: making one takes longer than most of them run. Each is run to its end
 * before it is asked for again, as everything here is in one go.
 */
function rememberStatements(client: Database.Database): void {
  const ready = new LRUCache<string, Database.Statement>({ max: MOST_STATEMENTS });
  const prepare = client.prepare.bind(client);
  client.prepare = ((source: string) => {
    const statement = ready.get(source) ?? prepare(source);
    ready.set(source, statement);
    // Whoever had it last may have asked for rows without names.
    if (statement.reader) statement.raw(false);
    return statement;
  }) as typeof client.prepare;
}

/** Folds the write-ahead log into the file and closes it. */
export function closeDatabase(db: Db): void {
  db.$client.pragma('wal_checkpoint(TRUNCATE)');
  db.$client.close();
}
