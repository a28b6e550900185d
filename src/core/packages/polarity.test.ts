import { describe, expect, it } from 'vitest';
import { partOf } from '~/schema/exchange/si/part';
import { anyPackage } from '~/schema/values/package';
import { BOARD_MARKS, hasPoles, PART_MARKS, signsOf, turnOnto, type Polarity } from './polarity';

const part = (given: Record<string, unknown>) => partOf(anyPackage.parse(given));
const radial = part({ family: 'radial', pitch_mm: 5, leadDiameter_mm: 0.6, holeDiameter_mm: 0.9 });
const site = { part: radial, nets: { '1': 'V18', '2': 'GND' } };
const sign = (changes: Partial<Polarity> = {}): Polarity => ({
  part: 'minus-stripe',
  plusPad: '1',
  board: { mark: 'plus', pad: '1' },
  ...changes,
});

describe('the sign of a part (common practice)', () => {
  it('an electrolytic’s stripe is minus: to the pad without the plus, never pin one to pin one', () => {
    const { title, detail, marked } = turnOnto(site, sign());
    expect(title).toBe('The stripe to pad 2, then seat');
    expect(detail).toContain('to the pad without the plus, pad 2, GND');
    expect(marked).toEqual({ pad: '2', mark: 'stripe', sign: '−' });
    expect(detail).not.toMatch(/pin one/i);
  });

  it('a reversed-mark trap: the board marks minus, the part marks plus', () => {
    const { detail, marked } = turnOnto(site, sign({ part: 'plus-bar', board: { mark: 'minus', pad: '2' } }));
    expect(marked).toMatchObject({ pad: '1', sign: '+' });
    expect(detail).toContain('The bar of the part is plus: to the pad without the minus, pad 1');
    expect(detail).toContain('never minus');
  });

  it('a filled half is not believed alone', () => {
    const { detail } = turnOnto(site, sign({ board: { mark: 'filled-half', pad: '2' } }));
    expect(detail).toContain('to the pad with the filled half, pad 2');
    expect(detail).toMatch(/minus on most boards and plus on some: prove it against ground/);
  });

  it('a print that disagrees with what was told is said to', () => {
    const { detail } = turnOnto(site, sign({ board: { mark: 'plus', pad: '2' } }));
    expect(detail).toContain('The board’s plus says otherwise');
  });

  it('a diode’s band is its cathode', () => {
    const axial = part({ family: 'axial', pitch_mm: 10, leadDiameter_mm: 0.8, holeDiameter_mm: 1.1 });
    const { title, marked } = turnOnto(
      { part: axial, nets: {} },
      sign({ part: 'cathode-band', board: { mark: 'bar', pad: '2' } }),
    );
    expect(title).toBe('The band to pad 2, then seat');
    expect(marked?.sign).toBe('K');
  });

  it('without a word it says what such marks mean, and which pad is ground', () => {
    expect(turnOnto(site, null).detail).toMatch(/stripe on a sleeve is minus.*Pad 2 is ground/);
    expect(turnOnto({ part: radial, nets: {} }, null).detail).toContain('not in the record');
  });

  it('packs turn by pin one, a power tab by its marking', () => {
    const soic = part({ family: 'soic', pins: 8 });
    expect(turnOnto({ part: soic, nets: {} }, null).detail).toMatch(/notch, dot or bevelled edge to pad 1/);
    const to220 = part({
      family: 'to220',
      pins: 3,
      pitch_mm: 2.54,
      leadDiameter_mm: 0.9,
      holeDiameter_mm: 1.2,
    });
    expect(turnOnto({ part: to220, nets: {} }, null).detail).toMatch(/tab behind: pin one is left/);
    expect(hasPoles(soic)).toBe(false);
    expect(hasPoles(radial)).toBe(true);
  });

  it('every mark has a word', () => {
    for (const mark of [...Object.values(PART_MARKS), ...Object.values(BOARD_MARKS)])
      expect(mark.name).not.toBe('');
  });
});

describe('signs on the lands', () => {
  const can = part({ family: 'canElectrolytic' });
  const at = (polarity: Parameters<typeof signsOf>[1]) =>
    signsOf(can, polarity).map(({ pad, of, sign, mark, doubtful }) => [pad, of, sign, mark, doubtful]);

  // Rule broken: a part's stripe and a board's plus stand at opposite ends; read as one sign they turn the part.
  it('tell the part’s mark from the board’s, each at its own pad', () => {
    expect(at({ part: 'minus-segment', plusPad: '1', board: { mark: 'plus', pad: '1' } })).toEqual([
      ['1', 'part', '+', '', false],
      ['2', 'part', '−', 'dark segment', false],
      ['1', 'board', '+', 'plus', false],
    ]);
  });

  it('say where the board’s print says otherwise, or boards disagree', () => {
    const board = (mark: 'plus' | 'filled-half', pad: string) =>
      at({ part: 'minus-segment', plusPad: '1', board: { mark, pad } }).at(-1);
    expect(board('plus', '2')).toEqual(['2', 'board', '+', 'plus', true]);
    expect(board('filled-half', '2')).toEqual(['2', 'board', '?', 'filled half', true]);
  });
});
