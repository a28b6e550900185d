import { combine } from '~/core/electrical/combine';
import { checkSwap } from '~/core/electrical/swap/check';
import { circuitOfInput, partOfInput } from '~/schema/exchange/parts/part';
import type { StockSwapInput } from '~/schema/exchange/parts/stockSwap';
import type { StockSwapAnswer } from '~/schema/sheets/stockSwap';
import { donorsFor } from './donors';
import type { Db } from '~/server/store/db';
import { getSite } from '~/server/store/repositories/sites';
import { partsOfKind } from '~/server/store/repositories/stockParts';

/** So many lines of a kind are held against the original, and so many of the answers are read. */
const MOST_LINES = 2000;
const SHOWN = 20;
/** Pairs are looked for among the lines nearest in value. */
const MOST_PAIRED = 40;

export function stockSwap(
  db: Db,
  { original, candidate, circuit, siteId }: StockSwapInput,
  year: number,
): StockSwapAnswer {
  const wanted = partOfInput(original, '$.original');
  const where = { year, ...circuitOfInput(circuit) };
  const lines = partsOfKind(db, wanted.kind, wanted.value, MOST_LINES).map((line) => ({
    line,
    part: partOfInput(line.part, '$.part'),
  }));
  const order = ['fit', 'fit-with-note', 'do-not-fit'];
  const off = (value: number | undefined): number =>
    value === undefined || !wanted.value ? 0 : Math.abs(Math.log(value / wanted.value));
  const judged = lines
    .map(({ line, part }) => ({ line, part, answer: checkSwap(wanted, part, where) }))
    .sort(
      (a, b) =>
        order.indexOf(a.answer.verdict) - order.indexOf(b.answer.verdict) ||
        off(a.part.value) - off(b.part.value),
    );
  const near = [...lines].sort((a, b) => off(a.part.value) - off(b.part.value)).slice(0, MOST_PAIRED);
  const lineOf = new Map(near.map(({ line, part }) => [part, line]));
  const stock = near.map(({ line, part }) => ({ part, count: line.count }));
  return {
    answer: candidate && checkSwap(wanted, partOfInput(candidate, '$.candidate'), where),
    fromStock: judged.slice(0, SHOWN).map(({ line, answer }) => ({ line, answer })),
    combinations: combine(wanted, stock, 2, where)
      .filter((c) => c.how !== 'single')
      .slice(0, SHOWN / 2)
      .map((c) => ({
        lines: c.parts.map((part) => lineOf.get(part)!),
        how: c.how as 'parallel' | 'series',
        value: c.whole.value!,
        tolerance: Math.max(...c.worst),
        rating_V: c.whole.rating_V ?? null,
        verdict: c.verdict,
        notes: c.notes,
      })),
    donors: donorsFor(db, original, {
      boardId: siteId === null ? null : getSite(db, siteId).boardId,
      circuit: where,
    }),
  };
}
