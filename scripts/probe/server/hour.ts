import { join } from 'node:path';
import { drawing, Shop, withJob, withSite } from './shop';
import { filled, memoryOf, pathsOf, timed } from './workshop';

/** What a server held through an hour of work, minute by minute. */
export interface Held {
  readonly pages: number;
  readonly writes: number;
  readonly plans: number;
  readonly memory_MB: readonly number[];
  /** Middle of the last third of the minutes to the middle of the third before it. */
  readonly grew: number;
}

const HANDS = 6;
const BOARDS = 2000;
const MINUTE_ms = 60_000;

/** Pages of a large workshop, findings, notes and stock, and a plan now and then, by several at once and without a pause for an hour. */
export async function hour(folder: string, minutes: number): Promise<Held> {
  const file = join(folder, 'hour.db');
  await (await Shop.open(file)).close();
  filled(file, BOARDS);
  const shop = await Shop.open(file);
  try {
    const { jobId } = await withJob(shop);
    const { site } = await withSite(shop);
    const paths = Object.values(pathsOf(BOARDS));
    const { next, of } = drawing(5);
    const done = { pages: 0, writes: 0, plans: 0 };
    const until = Date.now() + minutes * MINUTE_ms;
    const write = async (): Promise<void> => {
      const word = `hour-${++done.writes}`;
      const asked = of([
        [
          'api/findings',
          { padId: site.pads[0]!.id, state: 'dull', foundAs: 'as-received', by: 'MK', note: word },
        ],
        ['api/supplies/moves', { supplyId: 'tape', reason: 'bought', amount: 1, by: 'MK' }],
        [
          `api/jobs/${jobId}/events`,
          { clientId: word, afterSeq: 0, by: 'MK', event: { kind: 'note', text: word } },
        ],
      ] as const);
      const { status, text } = await shop.ask('POST', asked[0], asked[1], { 'idempotency-key': word });
      // A note behind others' is told so, and has been read as far.
      if (status >= 500 || status === 0) throw new Error(`${asked[0]}: ${status} ${text}`);
    };
    const plan = async (): Promise<void> => {
      const siteId = `many-${Math.floor(next() * BOARDS)}-s${Math.floor(next() * 6)}`;
      const page = (await shop.ask('GET', `sites/${siteId}/plan`)).text;
      const inputsKey = /"inputsKey":"([^"]+)"/.exec(page)?.[1];
      if (!inputsKey) return;
      await shop.ask('POST', 'api/plans', {
        kind: 'plan',
        by: 'MK',
        siteId,
        inputsKey,
        goal: 'remove-sacrifice-part',
      });
      done.plans++;
    };
    const hands = Array.from({ length: HANDS }, async (_, hand) => {
      while (Date.now() < until) {
        const dice = next();
        if (hand === 0 && dice < 0.1) await plan();
        else if (dice < 0.25) await write();
        else {
          await timed(shop, of(paths)(Math.floor(next() * BOARDS)));
          done.pages++;
        }
        await new Promise((go) => setTimeout(go, 200 + 800 * next()));
      }
    });
    const memory: number[] = [];
    while (Date.now() < until) {
      await new Promise((go) => setTimeout(go, Math.min(MINUTE_ms, Math.max(0, until - Date.now()))));
      memory.push(memoryOf(shop));
    }
    await Promise.all(hands);
    const third = Math.max(1, Math.floor(memory.length / 3));
    const [before, last] = [memory.slice(-2 * third, -third), memory.slice(-third)].map(middle) as [
      number,
      number,
    ];
    return { ...done, memory_MB: memory, grew: Number((last / before).toFixed(3)) };
  } finally {
    await shop.close();
  }
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
