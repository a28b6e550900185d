import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clockBack } from '../../scripts/probe/server/clockBack';
import { fuzz } from '../../scripts/probe/server/fuzz';
import { interleave } from '../../scripts/probe/server/interleave';
import { kills } from '../../scripts/probe/server/kills';
import { Shop } from '../../scripts/probe/server/shop';
import { bare as test, expect } from './bench';

/** The short form of `npm run probe`: the server from outside, under odd requests, kills, two screens and a wrong clock. */

const folder = mkdtempSync(join(tmpdir(), 'ithermon-probes-'));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function on<Came>(name: string, work: (shop: Shop) => Promise<Came>): Promise<Came> {
  const shop = await Shop.open(join(folder, `${name}.db`), '--empty');
  try {
    return await work(shop);
  } finally {
    await shop.close();
  }
}

test('odd requests to every endpoint and page: no fault, no path in an answer, nobody kept waiting', async () => {
  const { wrong, byStatus } = await on('fuzz', (shop) => fuzz(shop, 600, Date.now() % 1e6));
  // How long one took is for a quiet machine to say.
  expect(wrong.filter((line) => !line.startsWith('took'))).toEqual([]);
  expect(byStatus['201']).toBeGreaterThan(0);
});

test('killed in the middle of writing, nothing acknowledged is lost and nothing stands twice', async () => {
  const { acknowledged, lost, doubled, broken } = await on('kills', (shop) => kills(shop, 4));
  expect(acknowledged).toBeGreaterThan(10);
  expect({ lost, doubled, broken }).toEqual({ lost: 0, doubled: 0, broken: 0 });
});

test('two screens in any order never silently overwrite each other', async () => {
  const came = await on('interleave', (shop) => interleave(shop, 60, 7));
  expect(came.stale).toBeGreaterThan(10);
  expect(came).toMatchObject({ overwritten: 0, refused: came.stale, noted: came.notes, notes: 120 });
});

test('with the clock set back, what was found last holds', async () => {
  expect(await clockBack(folder, 6)).toEqual({ turns: 6, wrong: 0 });
});
