import { existsSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { MIGRATIONS, withCapacitor } from '../../../tests/support/database';
import { backUp } from './backup';
import { closeDatabase, openDatabase } from './db';
import { Nightly } from './nightly';
import { addBoard, getBoard, listBoards } from './repositories/boards';

let folder: string;
const at = (name: string): string => join(folder, name);
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ithermon-backup-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true });
});

describe('a backup (findings A8)', () => {
  it('is checked, counted, and the same while the bench goes on writing', () => {
    const db = openDatabase(at('shop.db'), MIGRATIONS);
    withCapacitor(db);
    expect(backUp(at('shop.db'), at('copy.db'))).toMatchObject({ boards: 1, parts: 1, jobs: 0 });
    addBoard(db, { ...getBoard(db, 'brd-1'), name: 'later' }, 2, 'brd-2');
    closeDatabase(db);
    const copy = openDatabase(at('copy.db'), MIGRATIONS);
    expect(listBoards(copy).map(({ id }) => id)).toEqual(['brd-1']);
    closeDatabase(copy);
  });

  it('never goes over another file unless that is asked for by name', () => {
    closeDatabase(openDatabase(at('shop.db'), MIGRATIONS));
    writeFileSync(at('other.db'), 'another workshop');
    expect(() => backUp(at('shop.db'), at('other.db'))).toThrow(/there already.*--force/);
    expect(readFileSync(at('other.db'), 'utf8')).toBe('another workshop');
    backUp(at('shop.db'), at('other.db'), { force: true });
    expect(readFileSync(at('other.db')).subarray(0, 6).toString()).toBe('SQLite');
  });

  it('of a database that is not there is refused, and makes none', () => {
    expect(() => backUp(at('ghost.db'), at('copy.db'))).toThrow(/no database at .*ghost.db/);
    writeFileSync(at('letter.txt'), 'Dear bench, '.repeat(400));
    expect(() => backUp(at('letter.txt'), at('copy.db'))).toThrow(/is no database/);
    expect(readdirSync(folder)).toEqual(['letter.txt']);
  });
});

describe('daily backups', () => {
  const DAY_ms = 86_400_000;

  it('are made a day after the last, and the oldest go', async () => {
    let now_ms = Date.UTC(2026, 2, 1);
    const copy = (_: string, target: string): Promise<void> => {
      writeFileSync(target, '');
      utimesSync(target, now_ms / 1000, now_ms / 1000);
      return Promise.resolve();
    };
    const nightly = new Nightly(at('shop.db'), 3, copy, () => now_ms);
    for (let hour = 0; hour < 5 * 24; hour += 6) {
      await nightly.look();
      now_ms += DAY_ms / 4;
    }
    expect(readdirSync(nightly.folder).sort()).toEqual(['2026-03-03.db', '2026-03-04.db', '2026-03-05.db']);
    expect(nightly.told()).toMatchObject({ on: true, kept: 3, failed: false });
  });

  it('that fail are told, and the ones there are stay', async () => {
    const nightly = new Nightly(at('shop.db'), 3, () => Promise.reject(new Error('disk full')));
    await nightly.look();
    expect(nightly.told()).toMatchObject({ kept: 0, failed: true });
    expect(existsSync(nightly.folder)).toBe(true);
  });
});
