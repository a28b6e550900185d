import { describe, expect, it } from 'vitest';
import { esrOfLoss_Ohm, type Part } from '../parts/part';
import { judge, type Reading, type Verdict } from './judge';

const CAN: Part = { kind: 'capacitor', technology: 'aluminium', value: 220e-6, rating_V: 35 };
const RES: Part = { kind: 'resistor', value: 1000, tolerance: [0.05, 0.05] };
const out = (reading: Omit<Reading, 'inCircuit'>): Reading => ({ ...reading, inCircuit: false });
const inn = (reading: Omit<Reading, 'inCircuit'>): Reading => ({ ...reading, inCircuit: true });

describe('a part by what was read of it', () => {
  // Each a fact of the trade (common practice).
  it.each<[string, Part, Reading, Verdict, RegExp]>([
    // 165 µF with 25 Ω where 220 µF is printed is dead.
    ['165 µF with 25 Ω for 220 µF', CAN, out({ capacitance_F: 165e-6, esr_Ohm: 25 }), 'dead', /ESR 25 Ω/],
    ['within its tolerance, low ESR', CAN, out({ capacitance_F: 205e-6, esr_Ohm: 0.2 }), 'good', /within/],
    ['a third of its value', CAN, out({ capacitance_F: 70e-6 }), 'dead', /dried out/],
    ['a quarter less', CAN, out({ capacitance_F: 165e-6 }), 'doubtful', /below its tolerance/],
    ['more than printed, in circuit', CAN, inn({ capacitance_F: 600e-6 }), 'doubtful', /lies across it/],
    ['high ESR even in circuit', CAN, inn({ esr_Ohm: 9 }), 'dead', /only makes it read lower/],
    [
      'leads that were not nulled',
      { ...CAN, value: 1000e-6 },
      out({ esr_Ohm: 0.4, nulled: false }),
      'doubtful',
      /not nulled/,
    ],
    ['leakage within 0.01 CV', CAN, out({ leakage_A: 60e-6 }), 'good', /0.01 CV/],
    ['leakage over it', CAN, out({ leakage_A: 200e-6 }), 'doubtful', /form it/],
    ['a resistor that reads high in circuit', RES, inn({ resistance_Ohm: 2300 }), 'dead', /nothing across/],
    ['one that reads low in circuit', RES, inn({ resistance_Ohm: 600 }), 'doubtful', /lift a lead/],
    ['one that reads low out of circuit', RES, out({ resistance_Ohm: 600 }), 'dead', /600 Ω/],
    ['an open resistor', RES, out({ resistance_Ohm: Infinity }), 'dead', /open/],
    ['a blown fuse', { kind: 'fuse', rating_A: 1 }, out({ resistance_Ohm: Infinity }), 'dead', /open/],
    ['a shorted diode', { kind: 'diode', technology: 'standard' }, out({ drop_V: 0.001 }), 'dead', /shorted/],
    [
      'the same in circuit',
      { kind: 'diode', technology: 'standard' },
      inn({ drop_V: 0.001 }),
      'doubtful',
      /lift a lead/,
    ],
    [
      'a transistor of gain 2',
      { kind: 'transistor', technology: 'npn' },
      out({ gain: 2 }),
      'dead',
      /amplify/,
    ],
    [
      'a transistor of gain 14',
      { kind: 'transistor', technology: 'pnp' },
      out({ gain: 14 }),
      'doubtful',
      /sheet/,
    ],
    [
      'a transistor of gain 180',
      { kind: 'transistor', technology: 'npn' },
      out({ gain: 180 }),
      'good',
      /180/,
    ],
    [
      'a gain in circuit',
      { kind: 'transistor', technology: 'npn' },
      inn({ gain: 180 }),
      'doubtful',
      /lift a lead/,
    ],
    ['silicon at 0.6 V', { kind: 'diode', technology: 'standard' }, out({ drop_V: 0.6 }), 'good', /usual/],
    [
      'a choke with shorted turns',
      { kind: 'inductor', value: 1e-3 },
      out({ inductance_H: 0.2e-3 }),
      'dead',
      /turns/,
    ],
  ])('%s', (_said, part, reading, verdict, reason) => {
    const answer = judge(part, reading)!;
    expect(answer.verdict, JSON.stringify(answer.figures)).toBe(verdict);
    expect(answer.reason).toMatch(reason);
  });

  it('ESR is tan δ / 2πfC: 0.14 at 120 Hz in 220 µF is 0.84 Ω', () => {
    expect(esrOfLoss_Ohm(0.14, 220e-6)).toBeCloseTo(0.844, 3);
    const told = judge({ ...CAN, tanDelta: 0.14 }, out({ tanDelta: 0.3 }))!;
    expect(told.figures[0]).toMatchObject({ what: 'ESR', verdict: 'dead' });
  });

  it('nothing that tells of its kind is no judgement', () => {
    expect(judge(CAN, out({ drop_V: 0.6 }))).toBeNull();
  });
});
