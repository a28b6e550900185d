import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Shop, withSite } from './shop';

/** What came of a server whose clock was set back and forth. */
export interface ClockSet {
  readonly turns: number;
  /** Findings after which a pad was not taken for what was found last. */
  readonly wrong: number;
}

const HOUR_ms = 3_600_000;

/** Loaded before the server: its wall clock is off by what a file says. */
const CLOCK = `
const { readFileSync } = require('node:fs');
const now = Date.now;
Date.now = () => now() + Number(readFileSync(process.env.PROBE_CLOCK, 'utf8') || 0);
`;

/** Finds a pad in one state and then in another, with the clock set somewhere else in between: the last one holds. */
export async function clockBack(folder: string, turns: number): Promise<ClockSet> {
  const [clock, preload] = [join(folder, 'clock'), join(folder, 'clock.cjs')];
  writeFileSync(clock, '0');
  writeFileSync(preload, CLOCK);
  const before = { options: process.env['NODE_OPTIONS'], clock: process.env['PROBE_CLOCK'] };
  process.env['NODE_OPTIONS'] = `--require ${preload}`;
  process.env['PROBE_CLOCK'] = clock;
  const shop = await Shop.open(join(folder, 'clock.db'), '--empty');
  process.env['NODE_OPTIONS'] = before.options ?? '';
  let wrong = 0;
  try {
    for (let i = 0; i < turns; i++) {
      const { boardId, site } = await withSite(shop);
      const find = (state: string, ahead_ms: number) => {
        writeFileSync(clock, String(ahead_ms));
        const look = { padId: site.pads[0]!.id, state, foundAs: 'as-received', by: 'MK', note: state };
        return shop.made('POST', 'api/findings', look);
      };
      await find('lifted', (i % 3) * HOUR_ms);
      await find('repaired', -(i % 5) * HOUR_ms);
      const { text } = await shop.ask('GET', `api/boards/${boardId}/entries`);
      if (/lifted/.test(text) || !/repaired/.test(text)) wrong++;
    }
  } finally {
    await shop.close();
  }
  return { turns, wrong };
}
