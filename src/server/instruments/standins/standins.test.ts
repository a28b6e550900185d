import { describe, expect, it } from 'vitest';
import { EXAMPLES } from '~/cli/help';
import { fromDevice } from '~/schema/exchange/instruments/wire';
import { StandInBench } from './bench';
import { benchSupply, componentMeter } from './circuits';
import { LINE_FAULTS } from './device';
import { airStation, ironStation, logger, preheater } from './devices';
import { Sensor } from './sensor';

const bench = (seed = 1): StandInBench => {
  const made = new StandInBench(seed);
  expect(made.lay(EXAMPLES.simulate)).toBe(true);
  return made;
};
const run = (made: StandInBench, seconds: number): void => {
  for (let i = 0; i < seconds * 20; i++) made.step(0.05);
};
const knob = (id: string, value: number | string) => ({ what: 'knob', id, value }) as const;
const fault = (id: string, on = true) => ({ what: 'fault', id, on }) as const;

describe('a simulated bench', () => {
  it('heats a land under the iron by the joint’s own model, and lets it cool', () => {
    const made = bench();
    expect(made.of('land')).toBeCloseTo(23, 3);
    expect(made.touch('2', 350)).toBeNull();
    run(made, 4);
    const hot = made.of('land');
    expect(hot).toBeGreaterThan(180);
    expect(hot).toBeLessThan(350);
    expect(made.of('board')).toBeLessThan(hot);
    made.lift();
    run(made, 30);
    expect(made.of('land')).toBeLessThan(40);
  });

  it('is another bench for another seed, and the same for the same', () => {
    const landAt3s = (seed: number): number => {
      const made = bench(seed);
      made.touch('2', 350);
      run(made, 3);
      return made.of('land');
    };
    expect(landAt3s(1)).toBe(landAt3s(1));
    expect(new Set([1, 2, 3, 4].map((s) => Math.round(landAt3s(s)))).size).toBeGreaterThan(2);
  });

  it('says in words what it cannot do', () => {
    expect(new StandInBench(1).touch('1', 350)).toMatch(/open a job/);
    expect(bench().touch('77', 350)).toMatch(/no pin 77/);
    expect(new StandInBench(1).lay({ not: 'a scene' })).toBe(false);
  });

  it('warms a board over a preheater, slowly', () => {
    const made = bench();
    const heater = preheater(made);
    expect(heater.take(knob('setpoint', 250))).toBeNull();
    expect(heater.take(knob('power', 'on'))).toBeNull();
    run(made, 10);
    const early = made.of('board');
    run(made, 300);
    expect(early).toBeLessThan(made.of('board'));
    expect(made.of('board')).toBeGreaterThan(60);
  });
});

describe('simulated devices', () => {
  const made = bench();
  const all = [ironStation, airStation, logger, preheater, componentMeter, benchSupply].map((make) =>
    make(made),
  );

  it('say nothing that the protocol does not know', () => {
    for (const device of all) {
      const hello = {
        hello: 'ithermon-instrument',
        version: 1,
        simulated: true,
        ...device.hello,
        faults: [...device.hello.faults, ...LINE_FAULTS],
      };
      expect(fromDevice.safeParse(hello).error?.message).toBeUndefined();
      expect(fromDevice.safeParse({ at_s: 1, v: device.read() }).error?.message).toBeUndefined();
      expect(fromDevice.safeParse({ turned: device.turned() }).error?.message).toBeUndefined();
    }
  });

  it('take their knobs within their range, and refuse the rest in words', () => {
    const iron = all[0]!;
    expect(iron.take(knob('setpoint', 300))).toBeNull();
    expect(iron.read()['set']).toBe(300);
    expect(iron.take(knob('setpoint', 900))).toMatch(/100 to 480/);
    expect(iron.take(knob('volume', 3))).toMatch(/no knob/);
    expect(iron.take(fault('no such'))).toMatch(/no fault/);
  });

  it('fail as benches do: left at another set temperature, open, come off, sagging, leads not nulled', () => {
    const [iron, , tc, , meter, supply] = all;
    iron!.take(fault('other-set'));
    expect(iron!.read()['set']).toBe(480);
    tc!.take(fault('tc1-open'));
    expect(tc!.read()['tc1']).toBeNull();
    tc!.take(fault('tc1-open', false));
    tc!.take(fault('tc2-off'));
    expect(Math.abs(tc!.read()['tc2']! - 23)).toBeLessThan(6);
    meter!.take(knob('part', 'a joint'));
    const joint = meter!.read()['r']!;
    meter!.take(fault('not-nulled'));
    expect(meter!.read()['r']! - joint).toBeGreaterThan(0.15);
    for (const [id, value] of [
      ['output', 'on'],
      ['load', 'a board'],
      ['volts', 24],
    ] as const)
      supply!.take(knob(id, value));
    const firm = supply!.read()['v']!;
    supply!.take(fault('sagging'));
    expect(supply!.read()['v']!).toBeLessThan(firm - 1);
  });

  it('the supply holds its limit into a short, and turns the sign with its leads', () => {
    const supply = benchSupply(made);
    for (const [id, value] of [
      ['output', 'on'],
      ['load', 'a short'],
      ['limit', 0.5],
    ] as const)
      supply.take(knob(id, value));
    expect(supply.read()['i']).toBeCloseTo(0.5, 2);
    expect(supply.read()['v']).toBeCloseTo(0.075, 1);
    supply.take(knob('load', 'a board'));
    supply.take(knob('polarity', 'reversed'));
    expect(supply.read()['v']!).toBeLessThan(-10);
  });

  it('the meter tells a dried-out capacitor from a sound one', () => {
    const meter = componentMeter(made);
    meter.take(knob('part', 'sound 470 µF'));
    const sound = meter.read();
    meter.take(knob('part', 'dried-out 470 µF'));
    const dry = meter.read();
    expect(dry['esr']! / sound['esr']!).toBeGreaterThan(10);
    expect(dry['c']!).toBeLessThan(sound['c']!);
    meter.take(knob('part', '12 kΩ'));
    expect(meter.read()['r']!).toBeGreaterThan(11e3);
    expect(meter.read()['c']).toBeNull();
  });

  it('a sensor comes late: two thirds of a step after its lag', () => {
    const sensor = new Sensor({ lag_s: 1, offset: 0, noise: 0, step: 0 }, () => 0);
    sensor.read(0, 0.1);
    let shown = 0;
    for (let i = 0; i < 10; i++) shown = sensor.read(100, 0.1);
    expect(shown).toBeCloseTo(100 * (1 - Math.exp(-1)), 6);
  });
});
