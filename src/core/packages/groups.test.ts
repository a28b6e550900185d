import { describe, expect, it } from 'vitest';
import { alikeParts } from './groups';

const site = (id: string, value: string, family = 'radial') => ({ id, value, package: { family } });

describe('parts that are alike', () => {
  it('share a value, however it is spelt, and a family; the largest group comes first', () => {
    const groups = alikeParts([
      site('a', '22 µF'),
      site('b', '22µF'),
      site('c', '4,7 µF'),
      site('d', '4.7 µF'),
      site('e', '22 µF', 'canElectrolytic'),
      site('f', '22 µF '),
      site('g', ''),
      site('h', ''),
    ]);
    expect(groups.map((g) => [g.value, g.siteIds.join('')])).toEqual([
      ['22 µF', 'abf'],
      ['4,7 µF', 'cd'],
    ]);
  });
});
