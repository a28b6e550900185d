import { describe, expect, it } from 'vitest';
import { readExcellon } from '~/formats/excellon/excellon';

/** Drill files as programs write them; each is named after what it shows. Format: Excellon CNC-7 programmer's notes, from memory. */

const um = (value_m: number): number => Math.round(value_m * 1e6);
const places = (text: string): [number, number][] =>
  readExcellon(text).holes.map(({ x_m, y_m }) => [um(x_m), um(y_m)]);
const sizes = (text: string): number[] => readExcellon(text).holes.map(({ diameter_m }) => um(diameter_m));

describe('digits and units in whatever order a file says them', () => {
  it('digits of a comment hold though the units line comes after it (26.5 mm was read as 265)', () => {
    const inch = ['M48', ';FILE_FORMAT=2:5', 'INCH,LZ', 'T1C0.0315', '%', 'T1', 'X0104331Y02', 'M30'].join(
      '\n',
    );
    expect(places(inch)).toEqual([[26500, 50800]]);
    const metric = [
      'M48',
      ';FILE_FORMAT=4:4',
      'METRIC,TZ',
      'T1C0.8',
      '%',
      'T1',
      'X265000Y100000',
      'M30',
    ].join('\n');
    expect(places(metric)).toEqual([[26500, 10000]]);
  });

  it('digits of the units line hold over a comment’s usual ones', () => {
    expect(places(['M48', 'METRIC,LZ,0000.00', 'T1C0.8', '%', 'T1', 'X0026Y001050'].join('\n'))).toEqual([
      [26000, 10500],
    ]);
  });

  it('a tool that stands before M71 or M72 is in the unit that follows (0.864 mm was read as 21.9)', () => {
    expect(sizes(['M48', 'T01C0.864', 'M71', '%', 'T01', 'X1.0Y1.0', 'M30'].join('\n'))).toEqual([864]);
    expect(sizes(['M48', 'T01C0.034', 'M72', '%', 'T01', 'X1.0Y1.0', 'M30'].join('\n'))).toEqual([864]);
  });

  it('without a unit inches are taken, and it is said', () => {
    const { holes, faults, spelt } = readExcellon(
      ['M48', 'T1C0.04', '%', 'T1', 'X1.0Y1.0', 'M30'].join('\n'),
    );
    expect(um(holes[0]!.x_m)).toBe(25400);
    expect(spelt).toMatchObject({ unit: 'in', unitSaid: false });
    expect(faults[0]!.why).toContain('inches are assumed');
  });

  it('inches and millimetres in one file are said to contradict each other', () => {
    const { faults } = readExcellon(['M48', 'INCH,LZ', 'T1C0.8', 'M71', '%', 'T1', 'X1.0Y1.0'].join('\n'));
    expect(faults[0]!.why).toContain('inches and millimetres both');
  });
});

describe('what is cut', () => {
  const body = (...lines: string[]): string => ['M48', 'METRIC', 'T1C1.0', '%', ...lines, 'M30'].join('\n');

  it('a routed slot is a slot from where the tool went down to where it came up', () => {
    const { holes, faults } = readExcellon(
      body('G00X10.0Y10.0', 'T1', 'M15', 'G01X14.0Y10.0', 'M16', 'G05', 'X1.0Y1.0'),
    );
    expect(faults).toEqual([]);
    expect(holes).toHaveLength(2);
    expect([um(holes[0]!.x_m), um(holes[0]!.slotTo!.x_m)]).toEqual([10000, 14000]);
    expect(holes[1]!.slotTo).toBeNull();
  });

  it('a routed half circle by its radius ends where it says and lies on its circle', () => {
    const { holes } = readExcellon(body('T1', 'G00X0.0Y0.0', 'M15', 'G03X10.0Y0.0A5.0', 'M16'));
    expect(holes.length).toBeGreaterThan(5);
    expect(um(holes.at(-1)!.slotTo!.x_m)).toBe(10000);
    for (const { slotTo } of holes) expect(Math.hypot(slotTo!.x_m - 5e-3, slotTo!.y_m)).toBeCloseTo(5e-3, 9);
    // Counter-clockwise from the left goes below.
    expect(holes[2]!.y_m).toBeLessThan(0);
  });

  it('a route by its centre goes clockwise above', () => {
    const { holes } = readExcellon(body('T1', 'G00X0.0Y0.0', 'M15', 'G02X10.0Y0.0I5.0J0.0', 'M16'));
    expect(holes[2]!.y_m).toBeGreaterThan(0);
  });

  it('moves of a router with its tool up cut nothing', () => {
    expect(readExcellon(body('T1', 'G00X0.0Y0.0', 'X5.0Y5.0', 'G00X9.0Y9.0', 'G05')).holes).toEqual([]);
  });

  it('a hit on its tool’s own line, and hits without an M48', () => {
    expect(places(['%', 'M71', 'T1C0.8', 'T1X1.0Y2.0', 'X3.0', 'M30'].join('\n'))).toEqual([
      [1000, 2000],
      [3000, 2000],
    ]);
  });

  it('incremental coordinates count on from where the last hit lay', () => {
    expect(places(body('T1', 'G91', 'X1.0Y1.0', 'X2.0', 'Y-0.5'))).toEqual([
      [1000, 1000],
      [3000, 1000],
      [3000, 500],
    ]);
  });

  it('a repeat of a hundred million hits is cut off and named, at once', () => {
    const { holes, faults } = readExcellon(body('T1', 'X0.0Y0.0', 'R100000000X0.1', 'R100000000X0.1'));
    expect(holes).toHaveLength(200_000);
    expect(faults.at(-1)!.why).toContain('the rest is left out');
  });
});
