import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import { cubicMetresPerSecond, kelvin } from '~/core/quantity/convert';
import { inPhase, STATION, surfaceRequest } from '../../../../tests/support/samples';
import { judgeNeighbour, neighbourLimit } from '../limits/neighbours';
import type { AirSetting } from '../request';
import { airCandidate, type AirReading } from './airCandidate';
import { answerAir } from './airSearch';
import { verifyAir } from './airVerify';

const SETTING: AirSetting = {
  kind: 'air',
  station: STATION,
  nozzle: { shape: 'round', diameter_m: 12e-3 },
  air_K: kelvin(380),
  flow_m3_s: cubicMetresPerSecond(40),
  standoff_m: 8e-3,
  preheat: null,
  approach_s: 0,
  shielded: false,
};
const cool = (ref: string) => judgeNeighbour(neighbourLimit({ ref, alloy: 'sn60pb40' }), 350, 350);
const hot = (ref: string, body_C: number) =>
  judgeNeighbour(neighbourLimit({ ref, alloy: 'sn60pb40' }), 350, kelvin(body_C));

const READING: AirReading = {
  setting: SETTING,
  pins: [],
  time_s: 41,
  damage: 0.2,
  rampRatio: 1.2,
  neighbours: [cool('R1')],
  last: '5',
  inTime: true,
  missed: { limit: 'melt', short_s: null, shortOfLiquidus_K: null },
};

describe('what a reading under air comes to', () => {
  it('is feasible where all melts in time and nobody beside it gets too hot', () => {
    expect(airCandidate(READING)).toMatchObject({ feasible: true, binding: null, time_s: 41 });
  });

  it('is bound by its own limit first, with by how much', () => {
    const missed = { limit: 'part limit', short_s: 12, shortOfLiquidus_K: null } as const;
    const late = airCandidate({ ...READING, inTime: false, missed, neighbours: [hot('C31', 230)] });
    expect(late.feasible).toBe(false);
    expect(late.binding).toMatchObject({ pad: '5', limit: 'part limit', short_s: 12, lastToMelt: 'pad 5' });
    expect(late.binding!.neighbour).toBeUndefined();
  });

  it('else by the worst of its neighbours', () => {
    const bound = airCandidate({ ...READING, neighbours: [cool('R1'), hot('C31', 210), hot('R34', 237)] });
    expect(bound.feasible).toBe(false);
    expect(bound.binding).toMatchObject({ limit: 'neighbour', neighbour: { ref: 'R34' } });
  });

  it('keeps nothing of the reading that a candidate does not have', () => {
    expect(Object.keys(airCandidate(READING)).sort()).toEqual(
      ['binding', 'damage', 'feasible', 'neighbours', 'pins', 'rampRatio', 'setting', 'time_s'].sort(),
    );
  });
});

describe('superposition and the whole model', () => {
  const request = inPhase(surfaceRequest({ family: 'soic', pins: 8 }, { irons: [], tweezers: [] }));

  it('count the same station alike: what it really reaches, not what it shows', () => {
    const off = (offset_K: number): AirSetting => ({ ...SETTING, station: { ...STATION, offset_K } });
    const whole = (setting: AirSetting) => {
      return inOneGo(verifyAir(request, setting)).time_s!;
    };
    const fast = (setting: AirSetting) => inOneGo(answerAir(request, setting)).time_s!;
    expect(fast(off(-30))).toBeGreaterThan(fast(off(0)));
    expect(whole(off(-30))).toBeGreaterThan(whole(off(0)));
    // As a station that is set 30 K lower would.
    expect(whole(off(-30))).toBeCloseTo(whole({ ...SETTING, air_K: SETTING.air_K - 30 }), 6);
  });
});
