import { describe, expect, it } from 'vitest';
import { padNamesOf } from '~/core/packages/form';
import { planOf } from '../support/solve';
import { FACTORS, requestOf } from './factors';
import { objectionsTo } from './judgeOf';
import { coveringRows } from './pairs';

const ROWS = coveringRows(FACTORS) as readonly Readonly<Record<keyof typeof FACTORS, number>>[];

/**
 * Every pair of family, goal, alloy, board, bench, land state and copper, planned with its heat: rows are dealt out to
 * files, which are run side by side.
 */
export function covered(hand: number, hands: number): void {
  const rows = ROWS.flatMap((row, i) => (i % hands === hand ? [{ row, i }] : []));
  describe(`plans over the covering set, ${hand + 1} of ${hands}`, () => {
    it('is of at least three hundred jobs', () => {
      expect(ROWS.length).toBeGreaterThanOrEqual(300);
    });
    it.each(rows)('job $i: nothing that a master would object to', { timeout: 60_000 }, ({ row }) => {
      const request = requestOf(row);
      const { site, goal } = request;
      const plan = planOf(request);
      expect(
        objectionsTo(request, plan),
        `${site.part.family} of ${padNamesOf(site.part).length}, ${goal}, ${site.alloy}`,
      ).toEqual([]);
    });
  });
}
