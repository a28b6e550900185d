import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { onTestFinished } from 'vitest';
import { openDatabase, type Db } from '~/server/store/db';
import { ensureRig } from '~/server/rig/firstRig';
import { addBoard } from '~/server/store/repositories/boards';
import { addSite, type SiteWithPads } from '~/server/store/repositories/sites';
import { newBoard, type BoardRecord } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { SIMULATE_EXAMPLE } from './requests';

export const MIGRATIONS = 'src/server/store/migrations';

/** A database in a folder of its own, gone when the test is. */
export function freshDatabase(): Db {
  const folder = mkdtempSync(join(tmpdir(), 'ithermon-'));
  const db = openDatabase(join(folder, 'test.db'), MIGRATIONS);
  onTestFinished(() => {
    db.$client.close();
    rmSync(folder, { recursive: true });
  });
  return db;
}

/** A board without sites, and a bench to work it. */
export function withBoard(db: Db): BoardRecord {
  ensureRig(db);
  return addBoard(
    db,
    newBoard.parse({ name: 'Test board', owner: 'MK', fault: 'dead', construction: SIMULATE_EXAMPLE.board }),
    1_000_000,
    'brd-1',
  );
}

/** A board with one capacitor. */
export function withCapacitor(db: Db): SiteWithPads {
  const board = withBoard(db);
  return addSite(
    db,
    board.id,
    newSite.parse({
      ref: 'C7',
      side: 'top',
      x_mm: 80,
      y_mm: 50,
      alloy: 'sn60pb40',
      package: SIMULATE_EXAMPLE.site.package,
      pads: [
        { name: '1', net: 'OUT', connections: [{ kind: 'track', width_mm: 0.4 }] },
        { name: '2', net: 'GND', connections: [{ kind: 'thermal-relief', layers: [2] }] },
      ],
    }),
    'site-1',
  );
}
