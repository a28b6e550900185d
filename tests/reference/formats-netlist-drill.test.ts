import { describe, expect, it } from 'vitest';
import { readExcellon } from '~/formats/excellon/excellon';
import { readNetlist } from '~/formats/netlist/netlist';

/** IPC-D-356A records by their columns and Excellon by its words; both from memory. */

const NETLIST = [
  'C  a comment',
  'P  JOB   anything',
  'P  TITLE Beacon driver',
  'P  UNITS CUST 0',
  'P  NNAME1  A_NET_WITH_A_VERY_LONG_NAME',
  '317GND              C7    -1    D0354PA00X+010000Y+020000X0709Y0000R000S0',
  '317NNAME1           C7    -2    D0354PA00X+011969Y+020000X0709Y0709R000S0',
  '327VCC              U3    -12         A01X-000500Y+000750X0236Y0630R090S0',
  '327VCC              U4    -3          A02X+001000Y+000750X0236Y0630R000S0',
  '317GND              VIA        MD0120PA00X+015000Y+015000X0236Y0000R000S0',
  '367N/C              H1    -1    D1260UA00X+002000Y+002000X1260Y0000R000S0',
  '999',
  'after the end nothing counts',
].join('\n');

describe('IPC-D-356A', () => {
  const { points, faults, title } = readNetlist(NETLIST);

  it('reads holes, lands, vias and unplated holes', () => {
    expect(faults).toEqual([]);
    expect(title).toBe('Beacon driver');
    expect(points).toHaveLength(6);
    expect(points[0]).toMatchObject({ net: 'GND', ref: 'C7', pin: '1', via: false, access: 0 });
    expect(points[4]).toMatchObject({ ref: '', via: true, net: 'GND' });
    expect(points[5]).toMatchObject({ ref: 'H1', net: '', hole: { plated: false } });
  });

  it('counts in ten-thousandths of an inch by CUST 0: 1 in is 25.4 mm', () => {
    expect(points[0]!.x_m).toBeCloseTo(25.4e-3, 9);
    expect(points[0]!.hole!.diameter_m).toBeCloseTo(0.0354 * 25.4e-3, 9);
    expect(points[2]!.x_m).toBeCloseTo(-0.05 * 25.4e-3, 9);
  });

  it('counts in thousandths of a millimetre by CUST 1', () => {
    const metric = NETLIST.replace('CUST 0', 'CUST 1');
    expect(readNetlist(metric).points[0]!.x_m).toBeCloseTo(10e-3, 9);
  });

  it('a round land gives its diameter once; a turned one keeps its turn; faces are told apart', () => {
    expect(points[0]!.height_m).toBe(points[0]!.width_m);
    expect(points[2]).toMatchObject({ rotation_deg: 90, access: 1 });
    expect(points[2]!.height_m).toBeGreaterThan(points[2]!.width_m);
    expect(points[3]!.access).toBe(2);
  });

  it('long names come from their aliases', () => {
    expect(points[1]!.net).toBe('A_NET_WITH_A_VERY_LONG_NAME');
  });

  it('a continuation belongs to the record before it', () => {
    const two = readNetlist(
      [
        '327SDA              U1    -1          A01X+000100Y+000100X0100Y0100R000S0',
        '027                                   A02X+000200Y+000100X0100Y0100R000S0',
        '999',
      ].join('\r\n'),
    );
    expect(two.points[1]).toMatchObject({ net: 'SDA', ref: 'U1', pin: '1', access: 2 });
  });

  it('names broken lines and goes on; a file cut short is said to be', () => {
    const cut = readNetlist(
      [
        '317GND              C7    -1    D0354PA00',
        'rubbish',
        '317GND              C7    -2    D0354PA00X+010000Y+020000',
      ].join('\n'),
    );
    expect(cut.points).toHaveLength(1);
    expect(cut.faults.map((f) => f.line)).toEqual([1, 2, 3]);
    expect(cut.faults[2]!.why).toMatch(/999/);
  });
});

describe('Excellon', () => {
  const body = (units: string, lines: string[]): string =>
    ['M48', units, 'T1C0.8', 'T2C1.2', '%', ...lines, 'M30'].join('\n');

  it('reads decimal coordinates as they stand', () => {
    const { holes, faults } = readExcellon(body('METRIC', ['T1', 'X10.5Y20', 'Y22.54', 'T2', 'X1Y2']));
    expect(faults).toEqual([]);
    expect(holes).toHaveLength(3);
    expect(holes[0]).toMatchObject({ diameter_m: 0.8e-3 });
    expect(holes[0]!.x_m).toBeCloseTo(10.5e-3, 9);
    expect(holes[1]!.x_m).toBeCloseTo(10.5e-3, 9);
    expect(holes[2]!.diameter_m).toBeCloseTo(1.2e-3, 9);
  });

  it('pads coordinates: LZ on the right, TZ on the left', () => {
    expect(readExcellon(body('METRIC,LZ', ['T1', 'X0105Y02'])).holes[0]!.x_m).toBeCloseTo(10.5e-3, 9);
    expect(readExcellon(body('METRIC,TZ', ['T1', 'X10500Y20000'])).holes[0]!.x_m).toBeCloseTo(10.5e-3, 9);
    const inch = readExcellon(['M48', 'INCH,TZ', 'T1C0.032', '%', 'T1', 'X10000Y5000', 'M30'].join('\n'));
    expect(inch.holes[0]!.x_m).toBeCloseTo(25.4e-3, 9);
    expect(inch.holes[0]!.diameter_m).toBeCloseTo(0.032 * 25.4e-3, 9);
  });

  it('repeats a hit and cuts slots', () => {
    const { holes } = readExcellon(body('METRIC', ['T1', 'X1.0Y1.0', 'R04X2.54', 'X5.0Y9.0G85X8.0Y9.0']));
    expect(holes).toHaveLength(6);
    expect(holes[4]!.x_m).toBeCloseTo(1e-3 + 4 * 2.54e-3, 9);
    expect(holes[5]!.slotTo!.x_m).toBeCloseTo(8e-3, 9);
  });

  it('names a missing tool and rubbish, and counts on from where it is in incremental files', () => {
    const { holes, faults } = readExcellon(
      body('METRIC', ['X1.0Y1.0', 'T9', 'T1', 'nonsense', 'X1.0Y1.0', 'G91', 'X2.0Y2.0', 'X-0.5']),
    );
    expect(holes.map(({ x_m, y_m }) => [1e3 * x_m, 1e3 * y_m].map((v) => Math.round(1e6 * v) / 1e6))).toEqual(
      [
        [1, 1],
        [3, 3],
        [2.5, 3],
      ],
    );
    expect(faults.map((f) => f.why)).toEqual([
      'drills before a tool is chosen',
      'tool T9 has no diameter',
      'is no drill command',
    ]);
  });

  it('says whether holes are plated where the file does', () => {
    expect(readExcellon(body(';TYPE=NON_PLATED', [])).plated).toBe(false);
    expect(readExcellon(body(';TYPE=PLATED', [])).plated).toBe(true);
    expect(readExcellon(body('METRIC', [])).plated).toBeNull();
  });
});
