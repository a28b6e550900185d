import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clockBack } from './server/clockBack';
import { fuzz } from './server/fuzz';
import { hour } from './server/hour';
import { interleave } from './server/interleave';
import { kills } from './server/kills';
import { load } from './server/load';
import { Shop } from './server/shop';
import { underAir } from './server/underAir';

/** Probes of the built server from outside, long: `npm run probe [fuzz|kills|interleave|clock|air|load|hour] [count]`. */

const folder = mkdtempSync(join(tmpdir(), 'ithermon-probe-'));
const [only, count] = process.argv.slice(2);

async function probed(name: string, usual: number, work: (count: number) => Promise<unknown>): Promise<void> {
  if (only !== undefined && only !== name) return;
  const start = performance.now();
  const came = await work(Number(count ?? usual));
  console.log(
    `${name}, ${((performance.now() - start) / 1000).toFixed(0)} s:`,
    JSON.stringify(came, null, 1),
  );
}

const onShop = async (
  name: string,
  args: string[],
  work: (shop: Shop) => Promise<unknown>,
): Promise<unknown> => {
  const shop = await Shop.open(join(folder, `${name}.db`), ...args);
  try {
    return await work(shop);
  } finally {
    await shop.close();
  }
};

try {
  await probed('fuzz', 12_000, (n) => onShop('fuzz', [], (shop) => fuzz(shop, n, 1)));
  await probed('kills', 50, (n) => onShop('kills', ['--empty'], (shop) => kills(shop, n)));
  await probed('interleave', 1000, (n) =>
    onShop('interleave', ['--empty'], (shop) => interleave(shop, n, 1)),
  );
  await probed('clock', 60, (n) => clockBack(folder, n));
  await probed('air', 2000, (n) => onShop('air', ['--empty'], (shop) => underAir(shop, n)));
  await probed('load', 5000, (n) => load(folder, n));
  await probed('hour', 60, (n) => hour(folder, n));
} finally {
  rmSync(folder, { recursive: true, force: true });
}
