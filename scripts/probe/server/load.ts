import { join } from 'node:path';
import { drawing, Shop } from './shop';
import { filled, memoryOf, pathsOf, settled, timed } from './workshop';

/** Times of a kind of request, ms. */
interface Times {
  readonly p50: number;
  readonly p95: number;
  readonly worst: number;
}

/** What a workshop of many years came to. */
export interface Loaded {
  readonly boards: number;
  readonly jobs: number;
  readonly findings: number;
  readonly file_MB: number;
  readonly alone: Readonly<Record<string, Times>>;
  readonly twenty: Readonly<Record<string, Times>>;
  readonly memory_MB: readonly number[];
}

const ALONE = 200;
const CLIENTS = 20;
const MINUTE_ms = 60_000;

/** Fills a database with the demo's boards over and over, and asks for every page of it: alone, then by twenty at once. */
export async function load(folder: string, boards: number): Promise<Loaded> {
  const file = join(folder, 'load.db');
  await (await Shop.open(file)).close();
  const counts = filled(file, boards);
  const shop = await Shop.open(file);
  try {
    // What was written past it is counted first, as after a change of the rules: once, and not what a page costs.
    await settled(shop);
    const paths = pathsOf(boards);
    const alone: Record<string, Times> = {};
    for (const [name, path] of Object.entries(paths)) {
      const times: number[] = [];
      for (let i = 0; i < ALONE; i++) times.push(await timed(shop, path(i * 97)));
      alone[name] = summed(times.slice(5));
    }
    const memory = [memoryOf(shop)];
    const together: Record<string, number[]> = {};
    const { next, of } = drawing(3);
    const until = Date.now() + MINUTE_ms;
    const clients = Array.from({ length: CLIENTS }, async (_, client) => {
      while (Date.now() < until) {
        const [name, path] = of(Object.entries(paths));
        (together[name] ??= []).push(await timed(shop, path(Math.floor(next() * boards) + client)));
        await new Promise((go) => setTimeout(go, 300 + 700 * next()));
      }
    });
    while (Date.now() < until) {
      await new Promise((go) => setTimeout(go, MINUTE_ms / 6));
      memory.push(memoryOf(shop));
    }
    await Promise.all(clients);
    const twenty = Object.fromEntries(Object.entries(together).map(([name, times]) => [name, summed(times)]));
    return { ...counts, alone, twenty, memory_MB: memory };
  } finally {
    await shop.close();
  }
}

function summed(times: readonly number[]): Times {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number): number =>
    Math.round(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!);
  return { p50: at(0.5), p95: at(0.95), worst: at(1) };
}
