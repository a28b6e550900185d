import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { MIGRATIONS, withBoard, withCapacitor } from '../../../tests/support/database';
import { newFinding } from '~/schema/records/site/finding';
import { recordFindings } from '~/server/boards/findings';
import { backUp } from './backup';
import { padStatesOf } from './repositories/findings';
import { addBoard, listBoards } from './repositories/boards';
import { closeDatabase, openDatabase, type Db } from './db';
import { lockForServer } from './serverLock';

let folder: string;
const at = (name: string): string => join(folder, name);
const opened: Db[] = [];
const open = (name: string): Db => {
  const db = openDatabase(at(name), MIGRATIONS);
  opened.push(db);
  return db;
};

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ithermon-store-'));
});
afterEach(() => {
  for (const db of opened.splice(0)) if (db.$client.open) db.$client.close();
  rmSync(folder, { recursive: true });
});

describe('a file is looked at before it is used (findings B6)', () => {
  it('one of another program, one that is none, one that is newer are told apart in words', () => {
    const other = new Database(at('other.db'));
    other.exec('CREATE TABLE ledger (amount)');
    other.close();
    expect(() => open('other.db')).toThrow(/database of another program \(it holds ledger\)/);
    writeFileSync(at('letter.txt'), 'Dear bench, '.repeat(400));
    expect(() => open('letter.txt')).toThrow(/it is no database/);
    const ours = open('ours.db');
    ours.$client.prepare('UPDATE __drizzle_migrations SET created_at = created_at + 1e12').run();
    closeDatabase(ours);
    expect(() => open('ours.db')).toThrow(/newer version/);
  });

  it('one with pages overwritten is refused, and is left as it was', () => {
    const db = open('hurt.db');
    withBoard(db);
    closeDatabase(db);
    const bytes = readFileSync(at('hurt.db'));
    for (let page = 6; (page + 1) * 4096 <= bytes.length; page += 7)
      bytes.fill(0x5a, page * 4096, (page + 1) * 4096);
    writeFileSync(at('hurt.db'), bytes);
    expect(() => open('hurt.db')).toThrow(/damaged.*latest backup/);
    expect(readFileSync(at('hurt.db')).equals(bytes)).toBe(true);
  });
});

describe('two servers on one database (findings A9)', () => {
  it('the second is refused for as long as the first lives', () => {
    const leave = lockForServer(at('shop.db'))!;
    expect(lockForServer(at('shop.db'))).toBeNull();
    leave();
    const again = lockForServer(at('shop.db'));
    expect(again).not.toBeNull();
    again!();
  });

  it('a transaction that reads before it writes waits for the lock and does not fail half-way', () => {
    const [one, two] = [open('shop.db'), open('shop.db')];
    const board = withBoard(one);
    two.$client.pragma('busy_timeout = 50');
    one.transaction(() => {
      listBoards(one);
      // Begun by another while this one is open: it is told to wait at once, before it read anything.
      expect(() => two.transaction(() => listBoards(two))).toThrow(/locked/);
      addBoard(one, { ...board, name: 'second' }, 2_000_000, 'brd-2');
    });
    expect(two.transaction(() => listBoards(two))).toHaveLength(2);
  });
});

describe('the clock set back (findings A4)', () => {
  it('does not change what was found last', () => {
    const db = open('shop.db');
    const { pads, boardId } = withCapacitor(db);
    const found = (state: 'lifted' | 'repaired') =>
      newFinding.parse({ padId: pads[0]!.id, state, foundAs: 'done-here', by: 'MK' });
    recordFindings(db, [found('lifted')], 7_200_000);
    recordFindings(db, [found('repaired')], 3_600_000);
    expect(padStatesOf(db, boardId).get(pads[0]!.id)).toBe('repaired');
    // Nor does a copy.
    backUp(at('shop.db'), at('copy.db'));
    const copy = open('copy.db');
    expect(padStatesOf(copy, boardId).get(pads[0]!.id)).toBe('repaired');
  });
});
