import { describe, expect, it } from 'vitest';
import { kelvin } from '~/core/quantity/convert';
import type { Part } from '../parts/part';
import { checkSwap } from './check';
import { junction_K } from './regulator';
import type { Circuit, SwapVerdict } from './rule';

/** What stands at a place in a supply: general purpose, 105 °C. */
const CAN: Part = {
  kind: 'capacitor',
  technology: 'aluminium',
  value: 330e-6,
  rating_V: 35,
  warmest_K: kelvin(105),
  ripple_A: 0.8,
  case: { diameter_m: 10e-3, pitch_m: 5e-3, height_m: 16e-3 },
};
const X2: Part = { kind: 'capacitor', technology: 'film', value: 100e-9, rating_V: 275, safetyClass: 'X2' };
const FUSE: Part = { kind: 'fuse', rating_A: 1, technology: 'time-lag', rating_V: 250 };
const RES: Part = {
  kind: 'resistor',
  technology: 'metal-film',
  value: 4700,
  tolerance: [0.01, 0.01],
  rating_W: 0.5,
};
const DIODE: Part = { kind: 'diode', technology: 'fast', rating_V: 400, rating_A: 2 };
const REG: Part = {
  kind: 'regulator',
  output_V: 5,
  dropout_V: 2,
  rating_A: 1,
  package: 'to220',
  pinOrder: 'IN-GND-OUT',
};
const ROM: Part = { kind: 'memory', marking: '24C16-10', contents: 'kept' };

type Case = readonly [
  said: string,
  original: Part,
  changes: Partial<Part>,
  circuit: Circuit,
  verdict: SwapVerdict,
  rule: string | null,
];

/**
 * Each a rule of the trade (common practice; safety classes by IEC 60384-14), by what decides it. The candidate is the
 * original with those figures changed.
 */
const CASES: readonly Case[] = [
  ['the same part', CAN, {}, {}, 'fit', null],
  // Facts of the trade: a little over in value, low ESR, equal or higher rating fits; a lower rating does not.
  [
    '220.9 µF, low ESR, same rating, for 220 µF',
    { ...CAN, value: 220e-6 },
    { value: 220.9e-6, esr_Ohm: 0.03 },
    {},
    'fit',
    null,
  ],
  [
    '220.9 µF, low ESR, higher rating',
    { ...CAN, value: 220e-6 },
    { value: 220.9e-6, esr_Ohm: 0.03, rating_V: 50 },
    {},
    'fit',
    null,
  ],
  ['a lower rating', CAN, { rating_V: 25 }, {}, 'do-not-fit', 'rating'],
  ['half the value', CAN, { value: 150e-6 }, { use: 'filter' }, 'do-not-fit', 'value'],
  ['half as much again in a filter', CAN, { value: 470e-6 }, { use: 'filter' }, 'fit-with-note', 'value'],
  ['a tenth more in a timer', CAN, { value: 363e-6 }, { use: 'timing' }, 'fit-with-note', 'value'],
  ['a third more across the mains, by its class alone', X2, { value: 130e-9 }, {}, 'do-not-fit', 'value'],
  ['half as much again in a timer', CAN, { value: 470e-6 }, { use: 'timing' }, 'do-not-fit', 'value'],
  ['three times the value', CAN, { value: 1000e-6 }, { use: 'filter' }, 'do-not-fit', 'value'],
  [
    'more ESR in a switching output',
    { ...CAN, esr_Ohm: 0.05 },
    { esr_Ohm: 0.12 },
    { use: 'switching-output' },
    'do-not-fit',
    'ESR',
  ],
  [
    'more ESR in a filter',
    { ...CAN, esr_Ohm: 0.05 },
    { esr_Ohm: 0.12 },
    { use: 'filter' },
    'fit-with-note',
    'ESR',
  ],
  [
    'far less ESR in a switching output',
    { ...CAN, esr_Ohm: 0.2 },
    { esr_Ohm: 0.01 },
    { use: 'switching-output' },
    'fit-with-note',
    'ESR',
  ],
  ['less ripple', CAN, { ripple_A: 0.5 }, { use: 'filter' }, 'do-not-fit', 'ripple'],
  [
    '85 °C for 105 °C in a supply',
    CAN,
    { warmest_K: kelvin(85) },
    { use: 'filter' },
    'do-not-fit',
    'temperature',
  ],
  [
    '85 °C for 105 °C where nothing is warm',
    CAN,
    { warmest_K: kelvin(85) },
    { use: 'coupling' },
    'fit-with-note',
    'temperature',
  ],
  ['polymer for aluminium', CAN, { technology: 'polymer', esr_Ohm: 0.02 }, {}, 'fit-with-note', 'make'],
  [
    'tantalum at over half its rating',
    CAN,
    { technology: 'tantalum' },
    { voltage_V: 24 },
    'do-not-fit',
    'rating',
  ],
  [
    'ceramic for film in a timer',
    { ...CAN, technology: 'film', polar: false },
    { technology: 'ceramic' },
    { use: 'timing' },
    'do-not-fit',
    'make',
  ],
  [
    'an electrolyte for a film part',
    { ...CAN, technology: 'film', ripple_A: undefined },
    { technology: 'aluminium' },
    {},
    'do-not-fit',
    'polarity',
  ],
  ['leads to be formed', CAN, { case: { ...CAN.case, pitch_m: 3.5e-3 } }, {}, 'fit-with-note', 'size'],
  ['leads far apart', CAN, { case: { ...CAN.case, pitch_m: 10e-3 } }, {}, 'do-not-fit', 'size'],
  ['wider body', CAN, { case: { ...CAN.case, diameter_m: 12.5e-3 } }, {}, 'fit-with-note', 'size'],
  ['pulled from another board', CAN, { source: 'pulled', heatCycles: 2 }, {}, 'fit-with-note', 'origin'],
  ['eight years in a drawer', CAN, { madeIn: 2018 }, { year: 2026 }, 'fit-with-note', 'origin'],
  ['made this year', CAN, { madeIn: 2026 }, { year: 2026 }, 'fit', null],
  ['X1 for X2', X2, { safetyClass: 'X1' }, { use: 'across-mains' }, 'fit-with-note', 'safety class'],
  ['Y2 for X2', X2, { safetyClass: 'Y2' }, { use: 'across-mains' }, 'fit-with-note', 'safety class'],
  [
    'X1 for Y2',
    { ...X2, safetyClass: 'Y2' },
    { safetyClass: 'X1' },
    { use: 'line-to-earth' },
    'do-not-fit',
    'safety class',
  ],
  [
    'no class across the mains, whatever its rating',
    X2,
    { safetyClass: undefined, rating_V: 630 },
    { use: 'across-mains' },
    'do-not-fit',
    'safety class',
  ],
  [
    'no class where the original had none either',
    { ...X2, safetyClass: undefined },
    {},
    { use: 'across-mains' },
    'do-not-fit',
    'safety class',
  ],
  ['a larger fuse', FUSE, { rating_A: 2 }, {}, 'do-not-fit', 'current'],
  ['a smaller fuse', FUSE, { rating_A: 0.5 }, {}, 'do-not-fit', 'current'],
  ['a quick fuse for a slow one', FUSE, { technology: 'quick' }, {}, 'do-not-fit', 'current'],
  ['a wider resistor', RES, { tolerance: [0.05, 0.05] }, {}, 'fit-with-note', 'value'],
  ['another resistance', RES, { value: 5100 }, {}, 'do-not-fit', 'value'],
  ['half the power', RES, { rating_W: 0.25 }, {}, 'do-not-fit', 'power'],
  [
    'metal film for a fusible resistor',
    { ...RES, technology: 'fusible' },
    { technology: 'metal-film' },
    {},
    'do-not-fit',
    'make',
  ],
  ['wirewound for film', RES, { technology: 'wirewound', rating_W: 2 }, {}, 'fit-with-note', 'make'],
  ['a standard diode for a fast one', DIODE, { technology: 'standard' }, {}, 'do-not-fit', 'make'],
  ['a Schottky for a fast one', DIODE, { technology: 'schottky' }, {}, 'fit-with-note', 'make'],
  ['a diode of less voltage', DIODE, { rating_V: 200 }, {}, 'do-not-fit', 'rating'],
  [
    'an N-channel for a P-channel',
    { kind: 'transistor', technology: 'p-channel' },
    { technology: 'n-channel' },
    {},
    'do-not-fit',
    'make',
  ],
  [
    'pins in another order',
    { kind: 'transistor', technology: 'npn', pinOrder: 'EBC' },
    { pinOrder: 'ECB' },
    {},
    'do-not-fit',
    'pins',
  ],
  ['a regulator that drops too much', REG, {}, { input_V: 6.5, current_A: 0.2 }, 'do-not-fit', 'dropout'],
  [
    'a regulator without its sink',
    REG,
    {},
    { input_V: 12, current_A: 0.5, heatSink_K_W: null },
    'do-not-fit',
    'temperature',
  ],
  [
    'the same on a sink',
    REG,
    {},
    { input_V: 12, current_A: 0.5, heatSink_K_W: 10 },
    'fit-with-note',
    'temperature',
  ],
  ['another output', REG, { output_V: 8 }, {}, 'do-not-fit', 'output'],
  [
    'a memory of another suffix',
    ROM,
    { marking: '24C16-25', contents: 'none' },
    {},
    'fit-with-note',
    'marking',
  ],
  [
    'a memory that holds the only copy',
    { ...ROM, contents: 'only-copy' },
    { contents: 'none' },
    {},
    'do-not-fit',
    'contents',
  ],
  [
    'another logic part',
    { kind: 'logic', marking: '74HC04' },
    { marking: '74HC14' },
    {},
    'do-not-fit',
    'marking',
  ],
];

describe('whether a part may stand for another', () => {
  it.each(CASES)('%s', (_said, original, changes, circuit, verdict, rule) => {
    const { wouldTurnIt, ...answer } = checkSwap(original, { ...original, ...changes }, circuit);
    expect(answer.verdict, JSON.stringify(answer.checks, null, 1)).toBe(verdict);
    const decided = answer.checks.filter((c) => c.verdict === verdict).map((c) => c.rule);
    if (rule !== null) expect(decided).toContain(rule);
    else expect(answer.checks.every((c) => c.verdict === 'fit')).toBe(true);
    for (const check of answer.checks) expect(check.reason.length).toBeGreaterThan(5);
    // Nearly everything that speaks against it can be turned by a figure, and says which.
    if (verdict === 'do-not-fit') expect(wouldTurnIt.length).toBeGreaterThan(0);
  });

  it('a part with leads never stands for one on the surface, and who does not say is asked', () => {
    const chip: Part = { kind: 'resistor', value: 820, mounting: 'surface' };
    const check = (candidate: Partial<Part>) =>
      checkSwap(chip, { kind: 'resistor', value: 820, ...candidate });
    expect(check({ mounting: 'surface' }).verdict).toBe('fit');
    expect(check({ case: { pitch_m: 10e-3 } }).verdict).toBe('do-not-fit');
    expect(check({}).checks.find((c) => c.rule === 'mounting')?.verdict).toBe('fit-with-note');
    expect(checkSwap({ ...chip, mounting: 'through-hole' }, { kind: 'resistor', value: 820 }).verdict).toBe(
      'fit',
    );
  });

  it('two parts of which nothing is known alike are not said to fit', () => {
    const answer = checkSwap({ kind: 'diode', marking: 'SB560' }, { kind: 'diode', rating_V: 600 });
    expect(answer.verdict).toBe('fit-with-note');
    expect(answer.checks[0]!.reason).toMatch(/look both up/);
  });

  it('another kind never does', () => {
    expect(checkSwap(CAN, RES).verdict).toBe('do-not-fit');
  });

  it('a regulator of 3.5 W in a TO-220 comes to 242 °C free in the air of 25 °C and to 61 °C over its sink’s air on 10 K/W', () => {
    // Tj = Ta + P (θjc + θcs + θsa): 3.5 × 62, and 3.5 × (5 + 1 + 10); handbook resistances of the package, from memory.
    expect(junction_K(3.5, 'to220', kelvin(25), null)).toBeCloseTo(kelvin(242), 6);
    expect(junction_K(3.5, 'to220', kelvin(25), 10)).toBeCloseTo(kelvin(81), 6);
  });

  it('tells that a bench test without its sink trips by itself', () => {
    const { checks } = checkSwap(REG, REG, { input_V: 12, current_A: 0.5, heatSink_K_W: 10 });
    expect(checks.find((c) => c.rule === 'temperature')!.reason).toMatch(
      /bench test without its sink switches itself off/,
    );
  });
});
