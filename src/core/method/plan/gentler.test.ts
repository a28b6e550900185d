import { describe, expect, it } from 'vitest';
import { celsius, cubicMetresPerSecond, kelvin } from '~/core/quantity/convert';
import { inOneGo } from '~/core/stepwise';
import {
  inPhase,
  planRequest,
  settingAt,
  STATION,
  surfaceRequest,
  trackOn,
} from '../../../../tests/support/samples';
import { AIR } from '../settings';
import { gentlerHalf } from './gentler';
import type { HalfGiven } from '../halfGiven';
import { serially } from './pieces/solve';

const held = (given: HalfGiven) => inOneGo(serially(gentlerHalf(given)));

const pins = inPhase(planRequest({ '1': [trackOn(4)], '2': [trackOn(4)] }));

describe('what was done held against the gentlest of its own way', () => {
  it('joints that were done far too hot would have cost less at a cooler tip, and that is sure', () => {
    const { done, gentlest } = held({ request: pins, method: 'joint-by-joint', setting: settingAt(450) });
    expect(done.setting).toMatchObject({ setpoint_K: kelvin(450) });
    expect(gentlest!.damage).toBeLessThan(done.damage / 2);
    const { setting } = gentlest!;
    expect(setting.kind === 'hand' && celsius(setting.setpoint_K)).toBeLessThan(420);
  });

  it('what was done at its gentlest has nothing gentler beside it', () => {
    const hot: HalfGiven = { request: pins, method: 'joint-by-joint', setting: settingAt(450) };
    const { setting } = held(hot).gentlest!;
    const again = held({ ...hot, setting });
    expect(again.gentlest).toBeNull();
    expect(again.longer_min).toBe(0);
  });

  it('air that was far too hot is held against air alone, run whole', () => {
    const request = inPhase(surfaceRequest({ family: 'chip', code: '0805' }));
    const { done, gentlest } = held({
      request,
      method: 'hot-air',
      setting: {
        kind: 'air',
        station: STATION,
        nozzle: STATION.nozzles[1]!,
        air_K: kelvin(450),
        flow_m3_s: cubicMetresPerSecond(40),
        standoff_m: AIR.standoffs_m.close,
        preheat: null,
        approach_s: 0,
        shielded: false,
      },
    });
    expect(gentlest).toMatchObject({ setting: { kind: 'air' }, feasible: true });
    expect(gentlest!.damage).toBeLessThan(done.damage);
  });
});
