import { describe, expect, it } from 'vitest';
import { inOneGo } from '~/core/stepwise';
import { UNSETTLED } from '~/formats/import/choices';
import { planImport } from '~/formats/import/importPlan';
import { readNetlist } from '~/formats/netlist/netlist';
import type { Construction } from '~/schema/values/construction';

/** Netlists whose columns or units are not what they should be (IPC-D-356A, from memory); each is named after what it shows. */
const LINE = '327IN               R1    -1          A01X+020000Y+030000X0900Y1300R000 S0';
const OTHER = '327OUT              R1    -2          A01X+022000Y+030000X0900Y1300R000 S0';
const file = (...lines: string[]): string => ['P  UNITS CUST 1', ...lines, '999', ''].join('\n');
const mm = (value_m: number): number => Math.round(1e6 * value_m) / 1e3;
const construction: Construction = {
  length_mm: 100,
  width_mm: 80,
  thickness_mm: 1.6,
  laminate: 'fr4-standard',
  copperLayers: [
    { weight_oz: 1, coverage: 0.3 },
    { weight_oz: 1, coverage: 0.3 },
  ],
};

describe('columns', () => {
  it('all of a record shifted by one are read where they stand (the land’s size was read as its place)', () => {
    for (const shifted of [` ${LINE}`.replace(/^ 327/, '327 '), LINE.replace(/^327IN /, '327IN')]) {
      const { points, faults } = readNetlist(file(shifted));
      expect(faults).toEqual([]);
      expect(points[0]).toMatchObject({ ref: 'R1', pin: '1' });
      expect([mm(points[0]!.x_m), mm(points[0]!.y_m), mm(points[0]!.width_m)]).toEqual([20, 30, 0.9]);
    }
  });

  it('a place that alone is shifted is named and left out', () => {
    const { points, faults } = readNetlist(file(LINE.replace('A01X', 'A01 X'), OTHER));
    expect(points.map(({ pin }) => pin)).toEqual(['2']);
    expect(faults[0]).toMatchObject({ line: 2 });
    expect(faults[0]!.why).toContain('outside of columns 42 to 57');
  });

  it('a record without a place does not take its land’s size for one', () => {
    const { points, faults } = readNetlist(file(LINE.replace('X+020000Y+030000', '                ')));
    expect(points).toEqual([]);
    expect(faults[0]!.why).toContain('has no place');
  });
});

describe('units', () => {
  const unknown = ['P  UNITS CUST 7', LINE, OTHER, '999', ''].join('\n');

  it('that nobody knows are not gone on with at a ten-thousandth of an inch: nothing is read', () => {
    const { points, faults, unit } = readNetlist(unknown);
    expect({ points, unit }).toEqual({ points: [], unit: null });
    expect(faults[0]!.why).toContain('say whether it counts');
  });

  it('are asked for in the preview, and reading follows what is said', () => {
    const read = (readings: (typeof UNSETTLED)['readings']) =>
      inOneGo(
        planImport(
          [{ name: 'n.ipc', text: unknown }],
          { construction, taken: [], alloy: 'sn60pb40' },
          { ...UNSETTLED, readings },
        ),
      );
    const { doubts, sites } = read({});
    expect(sites).toEqual([]);
    expect(doubts[0]!.remedies.map(({ label }) => label)).toEqual([
      'thousandths of a millimetre',
      'ten-thousandths of an inch',
    ]);
    const after = read(doubts[0]!.remedies[0]!.readings);
    expect(after.doubts).toEqual([]);
    expect(after.sites[0]!.site).toMatchObject({ ref: 'R1', x_mm: 21, y_mm: 30 });
  });
});
