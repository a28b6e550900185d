import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type Database from 'better-sqlite3';

/** A file that cannot be this bench's database as it is; the message says what it is and what helps. */
export class UnusableFile extends Error {
  override readonly name = 'UnusableFile';
}

/** Where migrations that were applied stand; there in every database of ours that was opened once. */
const APPLIED = '__drizzle_migrations';

/**
 * Looks at a file before anything is written to it: is it a database, is it ours, is it whole, and is it no newer than this
 * program. An empty file is a new database. Throws `UnusableFile`.
 */
export function checkFile(client: Database.Database, migrationsFolder: string): void {
  const tables = tablesOf(client);
  if (tables.length === 0) return;
  if (!tables.includes(APPLIED) || !tables.includes('boards'))
    throw new UnusableFile(
      `it is a database of another program (it holds ${tables.slice(0, 3).join(', ')}); name another file with --db`,
    );
  const damage = damageOf(client);
  if (damage !== null)
    throw new UnusableFile(`it is damaged (${damage}); start with the latest backup: ./start --db FILE`);
  if (newestApplied(client) > newestKnown(migrationsFolder))
    throw new UnusableFile(
      'it was written by a newer version of Ithermon; start that version, or a backup from before it',
    );
}

function tablesOf(client: Database.Database): string[] {
  try {
    return client
      .prepare<[], { name: string }>("SELECT name FROM sqlite_schema WHERE type = 'table' ORDER BY name")
      .all()
      .map(({ name }) => name);
  } catch (error) {
    if (codeOf(error) === 'SQLITE_NOTADB')
      throw new UnusableFile('it is no database; name another file with --db');
    if (codeOf(error).startsWith('SQLITE_CORRUPT'))
      throw new UnusableFile('it is damaged; start with the latest backup: ./start --db FILE');
    throw error;
  }
}

/** What is wrong with the pages of a file; null where nothing is. */
export function damageOf(client: Database.Database): string | null {
  try {
    const told = client.pragma('quick_check(1)', { simple: true }) as string;
    return told === 'ok' ? null : told.replace(/\s+/g, ' ').slice(0, 120);
  } catch (error) {
    if (codeOf(error).startsWith('SQLITE_CORRUPT')) return 'pages of it cannot be read';
    throw error;
  }
}

/** When the newest migration was made that a database has had, ms: the version of its tables. */
export const newestApplied = (client: Database.Database): number =>
  client.prepare<[], { newest: number | null }>(`SELECT max(created_at) AS newest FROM ${APPLIED}`).get()
    ?.newest ?? 0;

function newestKnown(migrationsFolder: string): number {
  const { entries } = JSON.parse(readFileSync(join(migrationsFolder, 'meta', '_journal.json'), 'utf8')) as {
    entries: readonly { when: number }[];
  };
  return Math.max(...entries.map(({ when }) => when));
}

/** SQLite's own word for what went wrong; empty for any other fault. */
export const codeOf = (error: unknown): string =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : '';
