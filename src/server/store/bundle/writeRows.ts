import { and, eq, getTableColumns } from 'drizzle-orm';
import { dequal } from 'dequal';
import type { RowConflict } from '~/schema/exchange/bundleOutcome';
import type { Db } from '../db';
import { codeOf } from '../fileCheck';
import { chainOf, columnsOf, follows, keysOf, type BundledTable } from './bundledTables';
import { digestOf } from './readRows';

export type Keep = 'mine' | 'theirs';

/** What became of the rows of one table. */
export interface Written {
  readonly fresh: number;
  readonly same: number;
  readonly conflicts: readonly RowConflict[];
  /** Rows of records that theirs took the place of. */
  readonly replaced: readonly Row[];
}

/** A row that cannot be written beside what is here; the message says which and why. */
export class RowRefused extends Error {}

export type Row = Record<string, unknown>;

/**
 * Compares rows with those here by their keys and writes what is new; of those that differ, records are written over where
 * `keep` says theirs, entries never. A chain of entries is only gone on with where all of it that is here agrees: two histories of one
 * job are not made into one. Called within one transaction; with `keep` null nothing that differs is touched.
 */
export function writeRows(db: Db, one: BundledTable, rows: readonly Row[], keep: Keep | null): Written {
  const known = keysHere(db, one);
  const fresh: Row[] = [];
  const replaced: Row[] = [];
  const conflicts: RowConflict[] = [];
  const forked = new Set<unknown>();
  const chain = chainOf(one);
  let same = 0;
  for (const row of rows) {
    const here = known.has(keyOf(one, row)) ? findRow(db, one, row) : undefined;
    if (!here) {
      fresh.push(row);
      continue;
    }
    const differs = differing(one, here, row);
    if (differs.length === 0) {
      same++;
      continue;
    }
    const kept = one.kind === 'entry';
    conflicts.push({ table: one.name, row: called(one, row), differs, kept });
    if (chain !== null) forked.add(row[chain]);
    if (keep !== 'theirs' || kept) continue;
    replace(db, one, here, row, differs);
    replaced.push(row);
  }
  const wanted = chain === null ? fresh : fresh.filter((row) => !forked.has(row[chain]));
  for (const row of fresh)
    if (chain !== null && forked.has(row[chain]))
      conflicts.push({
        table: one.name,
        row: called(one, row),
        differs: ['goes on from another entry'],
        kept: true,
      });
  for (let i = 0; i < wanted.length; i += AT_A_TIME) insert(db, one, wanted.slice(i, i + AT_A_TIME));
  return { fresh: wanted.length, same, conflicts, replaced };
}

/** Rows of one statement; each has some dozens of values, and a statement has room for some thousands. */
const AT_A_TIME = 50;

const keyOf = (one: BundledTable, row: Row): string =>
  keysOf(one)
    .map((name) => String(row[name]))
    .join(' ');

/** Keys of all rows that are here: asked once, not row by row. */
function keysHere(db: Db, one: BundledTable): Set<string> {
  const columns = Object.fromEntries(keysOf(one).map((name) => [name, columnsOf(one)[name]!]));
  return new Set((db.select(columns).from(one.table).all() as Row[]).map((row) => keyOf(one, row)));
}

const whereKey = (one: BundledTable, row: Row) =>
  and(...keysOf(one).map((key) => eq(columnsOf(one)[key]!, row[key])));

const findRow = (db: Db, one: BundledTable, row: Row): Row | undefined =>
  db.select().from(one.table).where(whereKey(one, row)).get();

/** Names of what differs; a revision counts screens, and what follows from other rows says nothing of its own. */
function differing(one: BundledTable, here: Row, theirs: Row): string[] {
  return Object.keys(getTableColumns(one.table)).filter((name) => {
    if (follows(one, name)) return false;
    const [a, b] = [here[name], theirs[name]];
    if (one.bytes?.column === name) return digestOf(a as Buffer) !== digestOf(b as Buffer);
    return !dequal(a, b);
  });
}

const called = (one: BundledTable, row: Row): string => {
  const name = row['name'] ?? row['ref'];
  return typeof name === 'string' && name !== '' ? `${name} (${keyOf(one, row)})` : keyOf(one, row);
};

function insert(db: Db, one: BundledTable, rows: readonly Row[]): void {
  if (rows.length === 0) return;
  try {
    db.insert(one.table)
      .values([...rows])
      .run();
  } catch (error) {
    const [only, ...more] = rows;
    if (more.length === 0) throw refusal(one, only!, error);
    // One by one, to say which of them does not fit.
    for (const row of rows) insert(db, one, [row]);
  }
}

/** Writes what differs and nothing else: a job's plan, which stays as it was accepted, is not touched for its sake. */
function replace(db: Db, one: BundledTable, here: Row, theirs: Row, differs: readonly string[]): void {
  const set: Row = Object.fromEntries(differs.map((name) => [name, theirs[name]]));
  if ('revision' in here)
    set['revision'] = Math.max(Number(here['revision']), Number(theirs['revision'])) + 1;
  try {
    db.update(one.table).set(set).where(whereKey(one, here)).run();
  } catch (error) {
    throw refusal(one, theirs, error);
  }
}

function refusal(one: BundledTable, row: Row, error: unknown): unknown {
  const cause = error instanceof Error && error.cause ? error.cause : error;
  if (!codeOf(cause).startsWith('SQLITE_CONSTRAINT')) return error;
  return new RowRefused(
    codeOf(cause) === 'SQLITE_CONSTRAINT_UNIQUE' || codeOf(cause) === 'SQLITE_CONSTRAINT_PRIMARYKEY'
      ? `${one.name}: ${called(one, row)} is here already under another number; rename or take away one of the two first`
      : `${one.name}: ${called(one, row)} does not fit the record here (${cause instanceof Error ? cause.message : ''})`,
  );
}
