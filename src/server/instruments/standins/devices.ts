import { PLACES, type Place, type StandInBench } from './bench';
import type { StandIn } from './device';
import { number, panel, word } from './panel';
import { Sensor } from './sensor';

const READ_s = 0.1;

/** An iron station: set temperature, the tip's own, and the power it draws. */
export function ironStation(bench: StandInBench): StandIn {
  const knobs = [number('setpoint', 'Set temperature', '°C', 100, 480), word('on', 'Iron on pin', [])];
  const { state, take } = panel(knobs, ['other-set'], { setpoint: 350, on: '', 'other-set': false });
  const reads = new Sensor({ lag_s: 0.4, offset: 2 * bench.normal(), noise: 0.6, step: 1 }, () =>
    bench.normal(),
  );
  let idle_C = 23;
  const set = (): number => (state['other-set'] ? 480 : (state['setpoint'] as number));
  return {
    hello: {
      id: 'iron-station',
      kind: 'iron-station',
      name: 'Iron station',
      channels: [
        { id: 'set', name: 'Set temperature', unit: 'degC' },
        { id: 'tip', name: 'Tip', unit: 'degC' },
        { id: 'power', name: 'Power', unit: 'W' },
      ],
      knobs,
      faults: [{ id: 'other-set', name: 'Left at another set temperature' }],
    },
    turned: () => state,
    take: (asked) => {
      if (asked.what !== 'knob' || asked.id !== 'on') return take(asked);
      const pad = String(asked.value);
      if (pad === '') {
        bench.lift();
        state['on'] = '';
        return null;
      }
      const why = bench.touch(pad, set());
      if (why === null) state['on'] = pad;
      return why;
    },
    laid: (scene) => {
      state['on'] = '';
      return bench.lay(scene) ? null : 'this site cannot be laid under a simulated tool';
    },
    read: () => {
      idle_C += (set() - idle_C) * -Math.expm1(-READ_s / 4);
      const tip_C = bench.tip_C ?? idle_C;
      const power_W = Math.min(65, 4 + 1.4 * Math.max(0, set() - tip_C));
      return { set: set(), tip: reads.read(tip_C, READ_s), power: Math.round(power_W * 10) / 10 };
    },
  };
}

/** A hot-air station; what it shows of its flow is what its pump does and not what leaves a clogged nozzle. */
export function airStation(bench: StandInBench): StandIn {
  const knobs = [
    number('setpoint', 'Set temperature', '°C', 100, 480),
    number('flow', 'Flow', 'L/min', 5, 120),
    number('nozzle', 'Nozzle', 'mm', 2, 30),
    word('at', 'Nozzle is', ['away', 'far', 'close']),
  ];
  const { state, take } = panel(knobs, ['clogged'], {
    setpoint: 350,
    flow: 30,
    nozzle: 8,
    at: 'away',
    clogged: false,
  });
  const reads = new Sensor({ lag_s: 1, offset: 4 * bench.normal(), noise: 1, step: 1 }, () => bench.normal());
  const blow = (): string | null => {
    if (state['at'] === 'away') {
      bench.away();
      return null;
    }
    const flow = (state['flow'] as number) * (state['clogged'] ? 0.4 : 1);
    return bench.blow(
      state['setpoint'] as number,
      flow,
      state['nozzle'] as number,
      state['at'] === 'far' ? 40 : 8,
    );
  };
  return {
    hello: {
      id: 'air-station',
      kind: 'air-station',
      name: 'Hot-air station',
      channels: [
        { id: 'set', name: 'Set temperature', unit: 'degC' },
        { id: 'air', name: 'Air', unit: 'degC' },
        { id: 'flow', name: 'Flow', unit: 'L/min' },
      ],
      knobs,
      faults: [{ id: 'clogged', name: 'Nozzle clogged' }],
    },
    turned: () => state,
    take: (asked) => take(asked) ?? blow(),
    laid: () => {
      state['at'] = 'away';
      return null;
    },
    read: () => ({
      set: state['setpoint'] as number,
      air: reads.read(state['setpoint'] as number, READ_s),
      flow: state['flow'] as number,
    }),
  };
}

const CHANNELS = ['tc1', 'tc2'] as const;

/** A thermocouple logger of two channels, each where it was put; what comes off reads the air, what breaks reads nothing. */
export function logger(bench: StandInBench): StandIn {
  const knobs = CHANNELS.map((id, i) => word(`${id}-at`, `Channel ${i + 1} sits on`, PLACES));
  const faults = CHANNELS.flatMap((id, i) => [
    { id: `${id}-open`, name: `Channel ${i + 1} open` },
    { id: `${id}-off`, name: `Channel ${i + 1} came off` },
  ]);
  const { state, take } = panel(knobs, [...faults.map((f) => f.id), 'drop-out'], {
    'tc1-at': 'land',
    'tc2-at': 'board',
    ...Object.fromEntries(faults.map((f) => [f.id, false])),
    'drop-out': false,
  });
  const sensors = CHANNELS.map(
    () =>
      new Sensor({ lag_s: 0.3, offset: 1.1 * bench.normal(), noise: 0.15, step: 0.1 }, () => bench.normal()),
  );
  return {
    hello: {
      id: 'tc-logger',
      kind: 'thermocouple-logger',
      name: 'Thermocouple logger',
      channels: CHANNELS.map((id, i) => ({ id, name: `Channel ${i + 1}`, unit: 'degC' })),
      knobs,
      faults: [...faults, { id: 'drop-out', name: 'Readings drop out' }],
    },
    turned: () => state,
    take,
    laid: () => null,
    read: () => {
      if (state['drop-out'] && bench.chance(0.7)) return {};
      return Object.fromEntries(
        CHANNELS.map((id, i) => {
          const place = state[`${id}-off`] ? 'air' : (state[`${id}-at`] as Place);
          const shown = sensors[i]!.read(bench.of(place), READ_s);
          return [id, state[`${id}-open`] ? null : Math.round(shown * 10) / 10];
        }),
      );
    },
  };
}

/** A preheater under the board. */
export function preheater(bench: StandInBench): StandIn {
  const knobs = [
    number('setpoint', 'Set temperature', '°C', 50, 350),
    word('power', 'Preheater', ['off', 'on']),
  ];
  const { state, take } = panel(knobs, [], { setpoint: 150, power: 'off' });
  const reads = new Sensor({ lag_s: 8, offset: 3 * bench.normal(), noise: 0.4, step: 1 }, () =>
    bench.normal(),
  );
  return {
    hello: {
      id: 'preheater',
      kind: 'preheater',
      name: 'Preheater',
      channels: [
        { id: 'set', name: 'Set temperature', unit: 'degC' },
        { id: 'source', name: 'Its face', unit: 'degC' },
      ],
      knobs,
      faults: [],
    },
    turned: () => state,
    take: (asked) => {
      const why = take(asked);
      bench.preheat_C = state['power'] === 'on' ? (state['setpoint'] as number) : null;
      return why;
    },
    laid: () => null,
    read: () => ({
      set: state['setpoint'] as number,
      source: reads.read(state['power'] === 'on' ? (state['setpoint'] as number) : bench.ambient_C, READ_s),
    }),
  };
}
