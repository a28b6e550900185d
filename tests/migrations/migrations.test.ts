import { readFileSync } from 'node:fs';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as tables from '~/schema/records/tables';
import { listBoards } from '~/server/store/repositories/boards';
import { findingsOf } from '~/server/store/repositories/findings';
import { sitesOf } from '~/server/store/repositories/sites';
import { listTools } from '~/server/store/repositories/tools';
import type { Db } from '~/server/store/db';
import { MIGRATIONS } from '../support/database';

const journal = JSON.parse(readFileSync(`${MIGRATIONS}/meta/_journal.json`, 'utf8')) as {
  entries: { idx: number; tag: string; when: number }[];
};

/** A database brought to one migration, filled with that migration's stored example. */
function oldDatabase(upTo: number): Database.Database {
  const client = new Database(':memory:');
  client.pragma('foreign_keys = ON');
  client.exec(
    'CREATE TABLE __drizzle_migrations (id INTEGER PRIMARY KEY AUTOINCREMENT, hash text NOT NULL, created_at numeric)',
  );
  for (const entry of journal.entries.filter((e) => e.idx <= upTo)) {
    const statements = readFileSync(`${MIGRATIONS}/${entry.tag}.sql`, 'utf8').split(
      '--> statement-breakpoint',
    );
    for (const statement of statements) client.exec(statement);
    client
      .prepare('INSERT INTO __drizzle_migrations (hash, created_at) VALUES (?, ?)')
      .run(entry.tag, entry.when);
  }
  return client;
}

describe('migrations run forward on an old database', () => {
  // A migration without a stored example fails here: the file is not found.
  it.each(journal.entries)('from $tag to the newest, and every old row still reads', ({ idx, tag }) => {
    const client = oldDatabase(idx);
    client.exec(readFileSync(`tests/migrations/examples/${tag}.sql`, 'utf8'));
    const db = drizzle(client, { schema: tables }) as Db;
    migrate(db, { migrationsFolder: MIGRATIONS });
    const boards = listBoards(db);
    expect(boards.length).toBeGreaterThan(0);
    for (const board of boards) {
      sitesOf(db, board.id);
      findingsOf(db, board.id);
    }
    listTools(db);
    expect(client.pragma('foreign_key_check')).toEqual([]);
    client.close();
  });

  it('makes the tables that the schema describes', () => {
    const client = oldDatabase(journal.entries.length - 1);
    for (const table of Object.values(tables)) {
      expect(() => drizzle(client).select().from(table).all()).not.toThrow();
    }
    client.close();
  });
});
