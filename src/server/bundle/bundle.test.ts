import { readdirSync, readFileSync } from 'node:fs';
import { desc, eq, getTableName } from 'drizzle-orm';
import { unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { freshDatabase, withBoard, withCapacitor } from '../../../tests/support/database';
import { InputError } from '~/schema/values/faults';
import * as tables from '~/schema/records/tables';
import { AT_HOME, BUNDLED } from '~/server/store/bundle/bundledTables';
import type { Db } from '~/server/store/db';
import { newPartMove, newStockPart } from '~/schema/records/parts/stockPart';
import { addPart, movePart } from '~/server/store/repositories/stockParts';
import { newFinding } from '~/schema/records/site/finding';
import { addFinding } from '~/server/store/repositories/findings';
import { exported } from './exported';
import { imported } from './imported';

const EXAMPLES = 'tests/migrations/examples';
const WRITE = { keep: null, dryRun: false } as const;

/** The newest migration's stored example: rows of many tables, as the application wrote them. */
function exampleDatabase(): Db {
  const db = freshDatabase();
  db.$client.exec(readFileSync(`${EXAMPLES}/${readdirSync(EXAMPLES).sort().at(-1)!}`, 'utf8'));
  return db;
}

const same = (a: Uint8Array, b: Uint8Array): boolean => Buffer.compare(Buffer.from(a), Buffer.from(b)) === 0;

/** A bundle with one of its files changed, its manifest as it was. */
function altered(archive: Uint8Array, path: string, change: (text: string) => string): Uint8Array {
  const files = unzipSync(archive);
  return zipSync({
    ...files,
    [path]: new TextEncoder().encode(change(new TextDecoder().decode(files[path]))),
  });
}

describe('a bundle', () => {
  it('carries every table there is, but those that stay at home', () => {
    const names = Object.values(tables).map((table) => getTableName(table));
    expect([...BUNDLED.map(({ name }) => name), ...AT_HOME].sort()).toEqual(names.sort());
  });

  it('of the shop, read into an empty database and exported again, is the same to the byte', () => {
    const db = exampleDatabase();
    const first = exported(db, null);
    const other = freshDatabase();
    const { outcome, same: known, conflictCount } = imported(other, first, WRITE);
    expect({ outcome, known, conflictCount }).toEqual({ outcome: 'written', known: 0, conflictCount: 0 });
    expect(same(exported(other, null), first)).toBe(true);
    // And for every table that has rows, as many.
    for (const { name } of BUNDLED) {
      const count = (at: Db): unknown => at.$client.prepare(`SELECT count(*) AS n FROM ${name}`).get();
      expect({ name, ...(count(other) as object) }).toEqual({ name, ...(count(db) as object) });
    }
  });

  it('of one board has that board’s record and nothing of the shop, and is the same to the byte when it is exported again', () => {
    const db = exampleDatabase();
    for (const { id } of db.select({ id: tables.boards.id }).from(tables.boards).all()) {
      const bundle = exported(db, id);
      const other = freshDatabase();
      expect(imported(other, bundle, WRITE).outcome).toBe('written');
      expect(same(exported(other, id), bundle)).toBe(true);
      expect(other.select().from(tables.tools).all()).toEqual([]);
    }
  });

  it('read again into where it came from is recognised row by row, and changes nothing', () => {
    const db = exampleDatabase();
    const bundle = exported(db, null);
    const again = imported(db, bundle, WRITE);
    expect(again).toMatchObject({ outcome: 'written', fresh: {}, conflictCount: 0 });
    expect(again.same).toBeGreaterThan(20);
    expect(same(exported(db, null), bundle)).toBe(true);
  });

  it('only looked at writes nothing', () => {
    const bundle = exported(exampleDatabase(), null);
    const other = freshDatabase();
    expect(imported(other, bundle, { keep: null, dryRun: true }).outcome).toBe('would-be-written');
    expect(other.select().from(tables.boards).all()).toEqual([]);
  });
});

describe('where both say something else', () => {
  function apart(): { readonly here: Db; readonly bundle: Uint8Array; readonly id: string } {
    const there = freshDatabase();
    const { boardId: id } = withCapacitor(there);
    const here = freshDatabase();
    imported(here, exported(there, null), WRITE);
    there.update(tables.boards).set({ name: 'Named there' }).where(eq(tables.boards.id, id)).run();
    here.update(tables.boards).set({ name: 'Named here' }).where(eq(tables.boards.id, id)).run();
    return { here, bundle: exported(there, null), id };
  }
  const nameOf = (db: Db, id: string): string =>
    db.select().from(tables.boards).where(eq(tables.boards.id, id)).get()!.name;

  it('nothing is written before it is said which holds', () => {
    const { here, bundle, id } = apart();
    expect(imported(here, bundle, WRITE)).toMatchObject({
      outcome: 'conflicts',
      conflicts: [{ table: 'boards', differs: ['name'], kept: false }],
    });
    expect(nameOf(here, id)).toBe('Named here');
  });

  it('mine stays, theirs takes its place', () => {
    const { here, bundle, id } = apart();
    expect(imported(here, bundle, { keep: 'mine', dryRun: false }).outcome).toBe('written');
    expect(nameOf(here, id)).toBe('Named here');
    expect(imported(here, bundle, { keep: 'theirs', dryRun: false }).outcome).toBe('written');
    expect(nameOf(here, id)).toBe('Named there');
  });

  it('a finding is never written over, whichever is chosen', () => {
    const there = freshDatabase();
    const site = withCapacitor(there);
    const finding = addFinding(
      there,
      newFinding.parse({
        padId: site.pads[0]!.id,
        state: 'lifted',
        foundAs: 'done-here',
        note: 'as it was',
        by: 'MK',
      }),
      1000,
    );
    const here = freshDatabase();
    imported(here, exported(there, null), WRITE);
    // What no version of ours does: its own database refuses it.
    for (const { name } of there.$client
      .prepare("SELECT name FROM sqlite_schema WHERE type = 'trigger' AND tbl_name = 'findings'")
      .all() as { name: string }[])
      there.$client.exec(`DROP TRIGGER ${name}`);
    there.update(tables.findings).set({ note: 'told otherwise later' }).run();
    const made = imported(here, exported(there, null), { keep: 'theirs', dryRun: false });
    expect(made.conflicts).toMatchObject([{ table: 'findings', differs: ['note'], kept: true }]);
    expect(here.select().from(tables.findings).get()).toMatchObject({ id: finding.id, note: 'as it was' });
  });

  it('a part of the same name under another number is refused in words', () => {
    const there = freshDatabase();
    const site = withCapacitor(there);
    const here = freshDatabase();
    imported(here, exported(there, null), WRITE);
    there.$client.pragma('foreign_keys = OFF');
    there.update(tables.sites).set({ id: 'sit-other' }).where(eq(tables.sites.id, site.id)).run();
    there.update(tables.pads).set({ siteId: 'sit-other' }).run();
    expect(() => imported(here, exported(there, null), { keep: 'mine', dryRun: false })).toThrow(
      /is here already under another number/,
    );
  });
});

describe('histories that went on', () => {
  /** A job that both have, and how to write its next entry, as if it were pressed. */
  function jobIn(db: Db): { readonly id: string; readonly lastSeq: number } {
    const { jobId, seq } = db
      .select()
      .from(tables.runEvents)
      .orderBy(desc(tables.runEvents.seq))
      .limit(1)
      .get()!;
    db.update(tables.jobs).set({ lastSeq: seq }).where(eq(tables.jobs.id, jobId)).run();
    return { id: jobId, lastSeq: seq };
  }
  function press(db: Db, id: string, note: string): void {
    const { lastSeq } = db.select().from(tables.jobs).where(eq(tables.jobs.id, id)).get()!;
    const seq = lastSeq + 1;
    const body = { kind: 'note', text: note } as never;
    db.insert(tables.runEvents)
      .values({ jobId: id, seq, clientId: `entry-${note}`, at_ms: 5000 + seq, by: 'MK', body })
      .run();
    db.update(tables.jobs).set({ lastSeq: seq }).where(eq(tables.jobs.id, id)).run();
  }
  const lastOf = (db: Db, id: string): number =>
    db.select().from(tables.jobs).where(eq(tables.jobs.id, id)).get()!.lastSeq;
  const entriesOf = (db: Db, id: string): string[] =>
    db
      .select()
      .from(tables.runEvents)
      .where(eq(tables.runEvents.jobId, id))
      .all()
      .map(({ clientId }) => clientId);

  it('a job that was gone on with there goes on here, and the next press follows it', () => {
    const there = exampleDatabase();
    const { id, lastSeq } = jobIn(there);
    const here = freshDatabase();
    imported(here, exported(there, null), WRITE);
    press(there, id, 'went-on');
    expect(imported(here, exported(there, null), WRITE)).toMatchObject({
      outcome: 'written',
      conflictCount: 0,
    });
    expect(lastOf(here, id)).toBe(lastSeq + 1);
    expect(entriesOf(here, id)).toContain('entry-went-on');
  });

  it('an older bundle of a job that went on here takes nothing back', () => {
    const there = exampleDatabase();
    const { id, lastSeq } = jobIn(there);
    const here = freshDatabase();
    const bundle = exported(there, null);
    imported(here, bundle, WRITE);
    press(here, id, 'went-on');
    imported(here, bundle, { keep: 'theirs', dryRun: false });
    expect(lastOf(here, id)).toBe(lastSeq + 1);
  });

  it('where both went on the entries here stay, and the others are told and not mixed in', () => {
    const there = exampleDatabase();
    const { id, lastSeq } = jobIn(there);
    const here = freshDatabase();
    imported(here, exported(there, null), WRITE);
    press(here, id, 'here');
    press(there, id, 'there');
    press(there, id, 'there-too');
    const made = imported(here, exported(there, null), { keep: 'theirs', dryRun: false });
    expect(made.conflictCount).toBe(2);
    expect(made.conflicts.every(({ kept }) => kept)).toBe(true);
    expect(entriesOf(here, id)).not.toContain('entry-there-too');
    expect(lastOf(here, id)).toBe(lastSeq + 1);
  });

  it('stock is what all of its moves leave', () => {
    const there = freshDatabase();
    withBoard(there);
    const line = newStockPart.parse({ part: { kind: 'resistor', value: '4k7' }, count: 20, by: 'MK' });
    const { id } = addPart(there, line, 1000);
    const here = freshDatabase();
    imported(here, exported(there, null), WRITE);
    movePart(there, id, newPartMove.parse({ reason: 'fitted', amount: 5, by: 'MK' }), 2000);
    movePart(here, id, newPartMove.parse({ reason: 'fitted', amount: 3, by: 'MK' }), 2001);
    imported(here, exported(there, null), WRITE);
    expect(here.select().from(tables.stockParts).get()!.left).toBe(12);
  });
});

describe('a bundle that was changed or cut', () => {
  const bundle = (): Uint8Array => {
    const db = freshDatabase();
    withCapacitor(db);
    return exported(db, null);
  };
  const refused = (archive: Uint8Array): string => {
    const db = freshDatabase();
    try {
      imported(db, archive, WRITE);
    } catch (error) {
      expect(error).toBeInstanceOf(InputError);
      expect(db.select().from(tables.boards).all()).toEqual([]);
      return (error as InputError).message;
    }
    return 'nothing was refused';
  };

  it.each([
    ['no archive at all', (whole: Uint8Array) => whole.slice(10), /no zip archive, or is damaged/],
    ['cut short', (whole: Uint8Array) => whole.slice(0, whole.length - 40), /no zip archive, or is damaged/],
    [
      'a row changed',
      (whole: Uint8Array) =>
        altered(whole, 'records/boards.ndjson', (text) => text.replace('Test board', 'Best board')),
      /digest differs/,
    ],
    [
      'of another version',
      (whole: Uint8Array) =>
        altered(whole, 'manifest.json', (text) => text.replace('"version": 1', '"version": 7')),
      /another version/,
    ],
    [
      'of newer tables',
      (whole: Uint8Array) =>
        altered(whole, 'manifest.json', (text) => text.replace(/"tables": \d+/, '"tables": 8999999999999')),
      /newer version/,
    ],
    ['of something else', () => zipSync({ 'a.txt': new Uint8Array([1]) }), /no bundle of Ithermon/],
    [
      'with a file that its manifest does not name',
      (whole: Uint8Array) => zipSync({ ...unzipSync(whole), 'more.txt': new Uint8Array([1]) }),
      /not in its manifest/,
    ],
  ])('%s is refused and leaves nothing behind', (_, change, why) => {
    expect(refused(change(bundle()))).toMatch(why);
  });
});
