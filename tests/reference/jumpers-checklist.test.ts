import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checklistOf, nearestOfNet, type PlacedPad } from '~/core/electrical/checklist';
import { judge } from '~/core/electrical/judgement';
import { jumperFor, usualCurrent_A } from '~/core/electrical/jumper';
import { METER } from '~/core/electrical/meterLimits';
import { gaugeDiameter_m, wireResistance_Ohm } from '~/core/electrical/wire';
import { cylinderFilm_W_m2K, wireCurrent_A } from '~/core/electrical/wireRise';
import { kelvin } from '~/core/quantity/convert';
import { boardOf } from '~/schema/exchange/si/board';
import { constructionFrom } from '~/schema/presets/stackupPresets';

describe('a wire in still air', () => {
  it('Churchill & Chu: Incropera example 9.4, a 0.1 m pipe at 165 °C in 23 °C air: Nu 23.3, 7.29 W/m²K', () => {
    expect(cylinderFilm_W_m2K(0.1, kelvin(165), kelvin(23))).toBeCloseTo(7.29, 1);
  });

  // Hobby and handbook "chassis wiring" column (Handbook of Electronic Tables and Formulas, from memory);
  // it states no rise, so that it can only be asked to lie between what a slight and a large rise give.
  it.each([
    [30, 0.86],
    [28, 1.4],
    [26, 2.2],
    [24, 3.5],
    [22, 7],
    [20, 11],
  ])('gauge %d carries the %d A of chassis-wiring tables at a rise between 4 and 60 K', (gauge, table_A) => {
    expect(wireCurrent_A(gaugeDiameter_m(gauge), 4, kelvin(40))).toBeLessThan(table_A);
    expect(wireCurrent_A(gaugeDiameter_m(gauge), 60, kelvin(40))).toBeGreaterThan(table_A);
  });

  it('Preece: heated to copper’s melting point, fine wire takes about 80 d^1.5 A (d in mm)', () => {
    // Preece (1884) let the film be the same for every diameter; a third either way is what that costs.
    for (const diameter_mm of [0.25, 0.5, 1]) {
      const fuse_A = wireCurrent_A(diameter_mm * 1e-3, 1060, kelvin(23));
      expect(fuse_A / (80 * diameter_mm ** 1.5)).toBeGreaterThan(0.6);
      expect(fuse_A / (80 * diameter_mm ** 1.5)).toBeLessThan(1.4);
    }
  });

  it('more rise or a thicker wire never carries less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.08, max: 2, noNaN: true }),
        fc.double({ min: 2, max: 80, noNaN: true }),
        (mm, rise_K) => {
          const carries = wireCurrent_A(mm * 1e-3, rise_K, 300);
          expect(wireCurrent_A(mm * 1.05e-3, rise_K, 300)).toBeGreaterThan(carries);
          expect(wireCurrent_A(mm * 1e-3, rise_K * 1.05, 300)).toBeGreaterThan(carries);
        },
      ),
      { seed: 11, numRuns: 60 },
    );
  });
});

const BOARD = boardOf(constructionFrom('two-layer', 100, 70));

const pad = (
  id: string,
  net: string,
  x_mm: number,
  y_mm: number,
  more: Partial<PlacedPad> = {},
): PlacedPad => ({
  id,
  siteId: id.split('.')[0]!,
  name: id.split('.')[1]!,
  net,
  x_m: x_mm * 1e-3,
  y_m: y_mm * 1e-3,
  width_m: 1.6e-3,
  height_m: 1.6e-3,
  faces: ['top', 'bottom'],
  connections: [{ kind: 'track', width_m: 0.5e-3, count: 1, layers: [2] }],
  ...more,
});

/** A row of eight pins at 2.54 mm and two parts that share its nets. */
const PADS: PlacedPad[] = [
  ...['GND', 'GND', 'A', 'B', '', 'V5', 'C', 'LONE'].map((net, i) =>
    pad(`J1.${i + 1}`, net, 10 + 2.54 * i, 10),
  ),
  pad('R1.1', 'A', 40, 30),
  pad('R1.2', 'B', 50, 30),
  pad('C1.1', 'V5', 70, 10),
  pad('C1.2', 'GND', 75, 10),
  pad('C2.2', 'GND', 30, 12),
];
const { checks, unchecked } = checklistOf('J1', PADS, BOARD);
const shorts = checks.filter((c) => c.kind === 'short');
const find = (from: string, to: string) => checks.find((c) => c.pad.id === from && c.other.id === to)!;

describe('a checklist (common practice)', () => {
  it('goes pad by pad to the nearest point of its net on another part', () => {
    expect(nearestOfNet(PADS[0]!, PADS)!.id).toBe('C2.2');
    expect(checks.filter((c) => c.kind === 'continuity').map((c) => `${c.pad.id} ${c.other.id}`)).toEqual([
      'J1.1 C2.2',
      'J1.2 C2.2',
      'J1.3 R1.1',
      'J1.4 R1.2',
      'J1.6 C1.1',
    ]);
    const order = checks.map((c) => Number(c.pad.name));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });

  it('probes each pair of neighbours once, but not two pads of one net', () => {
    expect(shorts.map((c) => `${c.pad.name}-${c.other.name}`)).toEqual([
      '2-3',
      '3-4',
      '4-5',
      '5-6',
      '6-7',
      '7-8',
    ]);
  });

  it('tells which pads it cannot check, and why', () => {
    expect(unchecked.map((u) => [u.pad.name, u.why])).toEqual([
      ['5', 'net-not-known'],
      ['7', 'alone-on-its-net'],
      ['8', 'alone-on-its-net'],
    ]);
  });

  it('finds another part’s pad within half a millimetre on the same face only', () => {
    const close = pad('C9.1', 'X', 10 - 1.6 - 0.4, 10, { faces: ['top'] });
    const below = pad('C8.1', 'Y', 10, 10 + 2, { faces: ['bottom'] });
    const surface = PADS.map((p) => ({ ...p, faces: ['top'] as const }));
    const found = checklistOf('J1', [...surface, close, below], BOARD).checks.map((c) => c.other.id);
    expect(found).toContain('C9.1');
    expect(found).not.toContain('C8.1');
  });

  it('expects what the copper should read: 1.7241e-8 Ωm over the way, by width and foil', () => {
    const check = find('J1.3', 'R1.1');
    if (check.kind !== 'continuity') throw new Error('is no continuity check');
    const way_m = METER.detour.value * check.distance_m;
    expect(check.copper_Ohm).toBeCloseTo((1.7241e-8 * way_m) / (0.5e-3 * 34.8e-6), 9);
    expect(check.limit_Ohm).toBeGreaterThan(check.copper_Ohm);
  });
});

describe('a reading', () => {
  it('within the limit is connected; above it a joint is bad; open is open', () => {
    const check = find('J1.3', 'R1.1');
    expect(judge(check, 0.1, []).verdict).toBe('good');
    expect(judge(check, 12, [])).toMatchObject({
      verdict: 'bad',
      why: expect.stringContaining('bad joint') as string,
    });
    expect(judge(check, Infinity, [])).toMatchObject({ verdict: 'bad', why: 'nothing joins them' });
  });

  it('between two nets: a bridge, clear, or a part in between', () => {
    const check = find('J1.6', 'J1.7');
    expect(judge(check, 0.2, []).verdict).toBe('bad');
    expect(judge(check, Infinity, []).verdict).toBe('good');
    expect(judge(check, 150, []).verdict).toBe('doubtful');
    expect(judge(check, 0.4, [{ ref: 'L3', value_Ohm: null }])).toMatchObject({ verdict: 'doubtful' });
  });

  it('a resistor between the nets explains its own value and no less', () => {
    const check = find('J1.3', 'J1.4');
    const resistor = [{ ref: 'R1', value_Ohm: 10 }];
    expect(judge(check, 9.8, resistor)).toMatchObject({
      verdict: 'good',
      why: expect.stringContaining('R1') as string,
    });
    expect(judge(check, 0.3, resistor).verdict).toBe('bad');
  });

  it('is no proof where a net is not known', () => {
    expect(judge(find('J1.4', 'J1.5'), 0.1, []).verdict).toBe('doubtful');
  });
});

describe('a jumper', () => {
  const order = { current_A: 1, rise_K: 20 };

  it('goes to the nearest point of the net, with an end to strip and dress at each side', () => {
    const answer = jumperFor(PADS[2]!, PADS, BOARD, order);
    if (answer.outcome !== 'wire') throw new Error(answer.outcome);
    expect(answer.to.id).toBe('R1.1');
    expect(answer.length_m).toBeGreaterThan(0.0319);
    expect(answer.length_m).toBeLessThan(0.045);
    expect(answer.drop_V).toBeCloseTo(
      wireResistance_Ohm(answer.length_m, answer.diameter_m, kelvin(60)) * order.current_A,
      6,
    );
  });

  it('takes the thinnest gauge that carries the current, and says where none does', () => {
    const gaugeFor = (current_A: number): number => {
      const answer = jumperFor(PADS[2]!, PADS, BOARD, { current_A, rise_K: 20 });
      return answer.outcome === 'wire' ? answer.gauge : -1;
    };
    // What a bench would do: 30 for a signal, and nothing thinner than 26 for two amperes.
    expect(gaugeFor(0.05)).toBe(30);
    expect(gaugeFor(2)).toBeLessThanOrEqual(26);
    expect(gaugeFor(5)).toBeLessThan(gaugeFor(1));
    expect(gaugeFor(500)).toBe(-1);
  });

  it('leads nowhere from a net that is not known or has no other point', () => {
    expect(jumperFor(PADS[4]!, PADS, BOARD, order)).toMatchObject({ outcome: 'nowhere-to-go' });
    expect(jumperFor(PADS[7]!, PADS, BOARD, order)).toMatchObject({ outcome: 'nowhere-to-go' });
  });

  it('replaces a track by what the track could carry (IPC-2221 §6.2): 0.5 mm of 1 oz, 20 K, about 2 A', () => {
    const { current_A, from } = usualCurrent_A(PADS[2]!, BOARD);
    expect(from).toBe('track');
    expect(current_A).toBeGreaterThan(1.5);
    expect(current_A).toBeLessThan(2.5);
  });
});

describe('any board’s checklist', () => {
  const NETS = ['', 'A', 'B', 'C', 'GND'];
  const boards = fc.array(
    fc.record({
      site: fc.constantFrom('U1', 'R1', 'C1'),
      net: fc.constantFrom(...NETS),
      x: fc.integer({ min: 0, max: 12 }),
      y: fc.integer({ min: 0, max: 12 }),
      top: fc.boolean(),
    }),
    { minLength: 2, maxLength: 24 },
  );

  it('names each pair once, continuity within a net and shorts between nets, and every pad of the part', () => {
    fc.assert(
      fc.property(boards, (given) => {
        const pads = given.map((p, i) =>
          pad(`${p.site}.${i}`, p.net, p.x, p.y, { faces: p.top ? ['top'] : ['top', 'bottom'] }),
        );
        const list = checklistOf('U1', pads, BOARD);
        const pairs = list.checks.map((c) => [c.pad.id, c.other.id].sort().join(' '));
        expect(new Set(pairs).size).toBe(pairs.length);
        for (const check of list.checks) {
          expect(check.pad.siteId).toBe('U1');
          const same = check.pad.net !== '' && check.pad.net === check.other.net;
          expect(check.kind === 'continuity').toBe(same);
          if (check.kind === 'continuity') {
            expect(check.limit_Ohm).toBeGreaterThanOrEqual(METER.probeContact.value);
            // Nothing of its net on another part lies nearer, where another part has it at all.
            const elsewhere = pads.filter((p) => p.net === check.pad.net && p.siteId !== 'U1');
            for (const other of elsewhere)
              expect(check.distance_m).toBeLessThanOrEqual(
                Math.hypot(other.x_m - check.pad.x_m, other.y_m - check.pad.y_m) + 1e-12,
              );
          }
        }
        for (const own of pads.filter((p) => p.siteId === 'U1')) {
          const probed = list.checks.some(
            (c) => c.kind === 'continuity' && (c.pad.id === own.id || c.other.id === own.id),
          );
          const excused = list.unchecked.some((u) => u.pad.id === own.id);
          expect(probed || excused).toBe(true);
        }
      }),
      { seed: 37, numRuns: 150 },
    );
  });

  it('a lower reading is never worse for continuity, and never better against a short', () => {
    const order = { good: 2, doubtful: 1, bad: 0 };
    const value = fc.double({ min: 0, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(value, value, (a, b) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const joint = find('J1.3', 'R1.1');
        expect(order[judge(joint, low, []).verdict]).toBeGreaterThanOrEqual(
          order[judge(joint, high, []).verdict],
        );
        const gap = find('J1.6', 'J1.7');
        expect(order[judge(gap, low, []).verdict]).toBeLessThanOrEqual(order[judge(gap, high, []).verdict]);
      }),
      { seed: 41, numRuns: 120 },
    );
  });
});
