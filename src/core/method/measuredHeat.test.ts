import { describe, expect, it } from 'vitest';
import { scenarioFor } from '~/core/method/hand/holeTouch';
import { inOneGo } from '~/core/stepwise';
import { runField } from '~/core/thermal/field/run';
import { NOMINAL } from '~/core/thermal/joint/scenario';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import {
  inPhase,
  planRequest,
  settingAt,
  STATION,
  surfaceRequest,
  trackOn,
} from '../../../tests/support/samples';
import { airFrom_s, airScenario } from './air/airScenario';
import { livesOf } from './limits/forecast';
import { doseCurve } from '~/core/thermal/history';
import { heatCost, type HeatGiven } from './heatCost';
import type { MeasuredLand } from './measuredHeat';
import type { AirSetting } from './request';

const OFF_s = 3;
const request = inPhase(planRequest({ '1': [trackOn(1)], '2': [trackOn(4)] }));
const setting = settingAt(380);
const given: HeatGiven = {
  request,
  method: 'leg-at-a-time',
  setting,
  pad: '1',
  off_s: OFF_s,
  stroke: [],
  near: [],
  probes: [],
};

/** Ten readings a second of a curve. */
const readOf = (time_s: Float64Array, land_K: Float64Array, from_s = 0, until_s = OFF_s): MeasuredLand => {
  const times = Array.from({ length: Math.round(until_s * 10) + 1 }, (_, i) => i / 10);
  const row = (at_s: number) => time_s.findLastIndex((t) => t <= at_s + from_s + 1e-9);
  return { time_s: times, land_K: times.map((t) => land_K[Math.max(0, row(t))]!) };
};

/** A heat on a bench whose tip has so many times the published resistance at its contact. */
const heatOn = (contact: number) =>
  simulateJoint(scenarioFor(request, setting, '1'), {
    duration_s: OFF_s,
    factors: { ...NOMINAL, contact },
  });
const bench = (contact: number) => {
  const { time_s, land_K } = heatOn(contact);
  return readOf(time_s, land_K);
};
const costOf = (measured: MeasuredLand | undefined, changes: Partial<HeatGiven> = {}) =>
  inOneGo(
    heatCost({ ...given, ...changes, measured: measured && { ...measured, by: 'thermocouple' as const } }),
  );

describe('what a heating cost, by what a thermocouple read on its land', () => {
  it('is the model’s where the readings are the model’s', () => {
    const [model, measured] = [costOf(undefined)[0]!, costOf(bench(1))[0]!];
    expect(measured.measured).toBe('thermocouple');
    expect(model.measured).toBeUndefined();
    expect(measured.padDose / model.padDose).toBeCloseTo(1, 1);
    expect(measured.laminateDose / model.laminateDose).toBeCloseTo(1, 1);
    expect(Math.abs(measured.peak_C - model.peak_C)).toBeLessThan(2);
  });

  it('is the bench’s own: more for a better contact, less for a worse, and near what its true curves cost', () => {
    const model = costOf(undefined)[0]!;
    const lives = livesOf(scenarioFor(request, setting, '1'));
    for (const contact of [0.7, 1.4]) {
      const { time_s, land_K, laminate_K } = heatOn(contact);
      const measured = costOf(bench(contact))[0]!;
      expect(Math.abs(measured.peak_C - (Math.max(...land_K) - 273.15))).toBeLessThan(3);
      expect(Math.sign(measured.padDose - model.padDose)).toBe(Math.sign(1 - contact));
      const truth = [doseCurve(lives.pad, time_s, land_K), doseCurve(lives.laminate, time_s, laminate_K)];
      [measured.padDose, measured.laminateDose].forEach((dose, i) => {
        expect(dose / truth[i]!.at(-1)!).toBeGreaterThan(0.9);
        expect(dose / truth[i]!.at(-1)!).toBeLessThan(1.1);
      });
    }
  });

  it('a thermocouple that came off, that broke, or that sits on the tip is not believed', () => {
    const model = costOf(undefined)[0]!;
    const real = bench(1);
    const air = { ...real, land_K: real.land_K.map(() => request.ambient_K + 4) };
    const tip = { ...real, land_K: real.land_K.map(() => setting.setpoint_K + 60) };
    const kept = real.time_s.map((t) => t < 0.4 || t > 2);
    const broken = {
      time_s: real.time_s.filter((_, i) => kept[i]),
      land_K: real.land_K.filter((_, i) => kept[i]),
    };
    for (const wrong of [air, tip, broken, { time_s: [], land_K: [] }])
      expect(costOf(wrong)).toEqual([model]);
  });

  it('under air all lands of the part go as the measured one did', { timeout: 120_000 }, () => {
    const small = inPhase(surfaceRequest({ family: 'soic', pins: 8 }));
    const air: AirSetting = {
      kind: 'air',
      station: STATION,
      nozzle: STATION.nozzles[1]!,
      air_K: 633.15,
      flow_m3_s: 40 / 60_000,
      standoff_m: 10e-3,
      preheat: null,
      approach_s: 0,
      shielded: false,
    };
    const run = inOneGo(runField(airScenario(small, air, 30)));
    const own = run.pads.filter((pad) => pad.ref === small.site.ref);
    const mean_K = run.time_s.map((_, i) => own.reduce((s, p) => s + p.history_K[i]!, 0) / own.length);
    const read = readOf(run.time_s, mean_K, airFrom_s(air), 30);
    const of = { request: small, method: 'hot-air' as const, setting: air, pad: 'all', off_s: 30 };
    const model = costOf(undefined, of);
    const same = costOf(read, of);
    const hotter = costOf(
      { ...read, land_K: read.land_K.map((t) => mean_K[0]! + (t - mean_K[0]!) * 1.06) },
      of,
    );
    expect(same).toHaveLength(8);
    model.forEach((pad, i) => {
      expect(same[i]!.padDose / pad.padDose).toBeGreaterThan(0.9);
      expect(same[i]!.padDose / pad.padDose).toBeLessThan(1.1);
      expect(hotter[i]!.padDose).toBeGreaterThan(1.2 * pad.padDose);
      expect(hotter[i]!.peak_C).toBeGreaterThan(pad.peak_C + 5);
      expect(hotter[i]!.laminateDose).toBeGreaterThan(pad.laminateDose);
    });
  });
});
