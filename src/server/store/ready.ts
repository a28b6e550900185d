import type Database from 'better-sqlite3';
import type { Db } from './db';

/**
 * A query that is built once for each database and then only run: building one takes longer than most of them run. For those
 * that every page asks; within a transaction it reads what the transaction has written, as any other.
 */
export function ready<Query>(build: (db: Db) => Query): (db: Db) => Query {
  const built = new WeakMap<Database.Database, Query>();
  return (db) => {
    const query = built.get(db.$client) ?? build(db);
    built.set(db.$client, query);
    return query;
  };
}
