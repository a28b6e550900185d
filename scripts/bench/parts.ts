import { newStockPart } from '~/schema/records/parts/stockPart';
import { stockSwapInput } from '~/schema/exchange/parts/stockSwap';
import { stockSwap } from '~/server/parts/stockSwap';
import { openDatabase } from '~/server/store/db';
import { addPart, findParts } from '~/server/store/repositories/stockParts';
import { report, timed } from './table';

const LINES = 10_000;
const SERIES = [1, 1.5, 2.2, 3.3, 4.7, 6.8] as const;

/** Ten thousand lines of parts: what is typed into the search, and a swap check against all of a kind. */
export function parts(): void {
  const db = openDatabase(':memory:', 'src/server/store/migrations');
  db.transaction(() => {
    for (let i = 0; i < LINES; i++) {
      const value = `${SERIES[i % 6]! * 10 ** (i % 4)}${i % 2 ? 'k' : 'µ'}`;
      const part =
        i % 2
          ? { kind: 'resistor', technology: 'metal-film', value, rating_W: 0.25 }
          : { kind: 'capacitor', technology: 'aluminium', value, rating_V: [16, 25, 35, 50, 63][i % 5] };
      const line = { part, drawer: `D${i % 400}`, batch: `B${i}`, count: 10, by: 'MK' };
      addPart(db, newStockPart.parse(line), 1000 + i, `part-${i}`);
    }
  });
  const typed = ['220uf', '4.7k d12', '35 v alum', 'b9137', 'metal 10k', 'µf 63'];
  report(
    'a search among 10,000 lines of parts, as it is typed',
    '≤ 50 ms',
    typed.flatMap((words) => timed(20, () => findParts(db, words, 100))),
  );
  const asked = stockSwapInput.parse({
    original: { kind: 'capacitor', technology: 'aluminium', value: '220µ', rating_V: 35 },
    circuit: { use: 'filter', voltage_V: 24 },
  });
  report(
    'a swap check against the drawers, 5,000 of the kind',
    '–',
    timed(10, () => stockSwap(db, asked, 2026)),
  );
  db.$client.close();
}
