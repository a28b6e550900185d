import type { StandInBench } from './bench';
import type { StandIn } from './device';
import { number, panel, word } from './panel';

/** A part between the meter's leads as it truly is: a resistor and a capacitor one behind the other, or a junction. */
interface Specimen {
  readonly capacitance_F: number | null;
  readonly series_Ohm: number | null;
  readonly junction_V: number | null;
}

const LEADS_Ohm = 0.22;

/** What hangs on the meter can be one of these, each off by what its kind is made to. */
const SPECIMENS: Readonly<Record<string, (off: number) => Specimen>> = {
  nothing: () => ({ capacitance_F: null, series_Ohm: null, junction_V: null }),
  'sound 470 µF': (off) => ({ capacitance_F: 470e-6 * (1 + 0.08 * off), series_Ohm: 0.09, junction_V: null }),
  'dried-out 470 µF': (off) => ({
    capacitance_F: 290e-6 * (1 + 0.1 * off),
    series_Ohm: 9 + off,
    junction_V: null,
  }),
  '12 kΩ': (off) => ({ capacitance_F: null, series_Ohm: 12e3 * (1 + 0.01 * off), junction_V: null }),
  'a joint': (off) => ({ capacitance_F: null, series_Ohm: 0.03 + 0.01 * Math.abs(off), junction_V: null }),
  'a junction': (off) => ({ capacitance_F: null, series_Ohm: null, junction_V: 0.58 + 0.02 * off }),
};

/** A component meter at 1 kHz: capacitance and series resistance by its bridge, resistance and junction by direct current. */
export function componentMeter(bench: StandInBench): StandIn {
  const knobs = [word('part', 'Between the leads', Object.keys(SPECIMENS))];
  const { state, take } = panel(knobs, ['not-nulled'], { part: 'nothing', 'not-nulled': false });
  let specimen = SPECIMENS['nothing']!(0);
  return {
    hello: {
      id: 'component-meter',
      kind: 'component-meter',
      name: 'Component meter',
      channels: [
        { id: 'c', name: 'Capacitance', unit: 'F' },
        { id: 'esr', name: 'Series resistance', unit: 'Ohm' },
        { id: 'r', name: 'Resistance', unit: 'Ohm' },
        { id: 'diode', name: 'Junction', unit: 'V' },
      ],
      knobs,
      faults: [{ id: 'not-nulled', name: 'Leads not nulled' }],
    },
    turned: () => state,
    take: (asked) => {
      const why = take(asked);
      if (why === null && asked.what === 'knob')
        specimen = SPECIMENS[state['part'] as string]!(bench.normal());
      return why;
    },
    laid: () => null,
    read: () => {
      const { capacitance_F, series_Ohm, junction_V } = specimen;
      const leads_Ohm = state['not-nulled'] ? LEADS_Ohm : 0;
      const unsteady = 1 + 0.002 * bench.normal();
      const ofCapacitor = capacitance_F !== null;
      return {
        c: capacitance_F === null ? null : capacitance_F * unsteady,
        esr: ofCapacitor ? (series_Ohm! + leads_Ohm) * unsteady : null,
        r: ofCapacitor || series_Ohm === null ? null : (series_Ohm + leads_Ohm) * unsteady,
        diode: junction_V === null ? null : junction_V * unsteady,
      };
    },
  };
}

/** What a supply feeds, as a resistance; nothing, a board at rest, and one with a short. */
const LOADS_Ohm: Readonly<Record<string, number>> = { nothing: Infinity, 'a board': 60, 'a short': 0.15 };

/** A bench supply: it gives its set voltage until its limit, and then as much as the load leaves of it (Ohm's law). */
export function benchSupply(bench: StandInBench): StandIn {
  const knobs = [
    number('volts', 'Set voltage', 'V', 0, 60),
    number('limit', 'Current limit', 'A', 0.01, 5),
    word('polarity', 'Polarity', ['as marked', 'reversed']),
    word('output', 'Output', ['off', 'on']),
    word('load', 'It feeds', Object.keys(LOADS_Ohm)),
  ];
  const { state, take } = panel(knobs, ['sagging'], {
    volts: 12,
    limit: 0.5,
    polarity: 'as marked',
    output: 'off',
    load: 'nothing',
    sagging: false,
  });
  return {
    hello: {
      id: 'bench-supply',
      kind: 'bench-supply',
      name: 'Bench supply',
      channels: [
        { id: 'set', name: 'Set voltage', unit: 'V' },
        { id: 'limit', name: 'Current limit', unit: 'A' },
        { id: 'v', name: 'Output', unit: 'V' },
        { id: 'i', name: 'Current', unit: 'A' },
      ],
      knobs,
      faults: [{ id: 'sagging', name: 'Sags under load' }],
    },
    turned: () => state,
    take,
    laid: () => null,
    read: () => {
      const set = state['volts'] as number;
      const limit = state['limit'] as number;
      const load_Ohm = LOADS_Ohm[state['load'] as string]!;
      const inner_Ohm = state['sagging'] ? 8 : 0.02;
      const on = state['output'] === 'on';
      const free_A = on ? set / (load_Ohm + inner_Ohm) : 0;
      const i = Math.min(free_A, limit);
      const volts = !on ? 0 : free_A > limit ? limit * load_Ohm : set - i * inner_Ohm;
      const sign = state['polarity'] === 'reversed' ? -1 : 1;
      return {
        set,
        limit,
        v: Math.round(sign * volts * 1000 + bench.normal()) / 1000,
        i: Math.max(0, Math.round(i * 1000 + 0.3 * bench.normal()) / 1000),
      };
    },
  };
}
