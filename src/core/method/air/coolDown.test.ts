import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import { inPhase, STATION, surfaceRequest } from '../../../../tests/support/samples';
import { cubicMetresPerSecond, kelvin } from '~/core/quantity/convert';
import type { Ask } from '../plan/pieces/piece';
import { serially } from '../plan/pieces/solve';
import type { AirSetting } from '../request';
import { AIR, PLAN } from '../settings';
import { coolDownOf, wayDown } from './coolDown';
import type { CoolDown } from './wayDown';

const request = inPhase(surfaceRequest({ family: 'soic', pins: 8 }));
const setting: AirSetting = {
  kind: 'air',
  station: STATION,
  nozzle: { shape: 'round', diameter_m: 8e-3 },
  air_K: kelvin(380),
  flow_m3_s: cubicMetresPerSecond(20),
  standoff_m: AIR.standoffs_m.close,
  preheat: { kind: 'convective', setpoint_K: kelvin(180), soak_s: 120 },
  approach_s: 0,
  shielded: false,
};

const HOW = [
  'off at once',
  'nozzle drawn away, then off',
  'preheater held, then off',
  'preheater brought down slowly',
] as const;

/** A way that leaves a bow, in shares of its limit, and falls so fast. */
const way = (at: number, bow: number, fall_K_s: number): CoolDown => ({
  how: HOW[at]!,
  airAway_s: at === 0 ? 0 : 20,
  clock_s: 200 + 60 * at,
  heldPreheat_s: 0,
  bowHot: 0,
  bowLeft: bow * 0.0075,
  bowLimit: 0.0075,
  fall_K_s,
  ok: bow <= 1 && fall_K_s <= AIR.coolRamp_K_s,
});

/** Drives the choice with answers made up for each way; tells which ways were asked for. */
function chosen(answers: readonly CoolDown[]): { readonly asked: number[][]; readonly taken: CoolDown } {
  const asked: number[][] = [];
  const steps = coolDownOf(request, setting, 60);
  let next = steps.next();
  while (!next.done) {
    const { pieces, enough } = next.value as Ask;
    const ways = pieces.map((piece) => (piece as { way: number }).way);
    asked.push(ways);
    const came = ways.map((at) => answers[at]!);
    const first = came.findIndex((one) => enough(one));
    next = steps.next(first < 0 ? came : came.slice(0, first + 1));
  }
  return { asked, taken: next.value };
}

describe('the way down that is chosen', () => {
  it('is the plain one where it will do, without looking at the slow ones', () => {
    const { asked, taken } = chosen([way(0, 0.5, 4), way(1, 0.4, 3), way(2, 0, 1), way(3, 0, 1)]);
    expect(taken.how).toBe('off at once');
    expect(asked).toEqual([[0, 1]]);
  });

  it('draws the nozzle away where the body would fall too fast', () => {
    const { asked, taken } = chosen([way(0, 0.5, 12), way(1, 0.5, 3.6), way(2, 0, 1), way(3, 0, 1)]);
    expect(taken.how).toBe('nozzle drawn away, then off');
    expect(asked).toEqual([[0, 1]]);
  });

  it('holds the preheater only where the board bows', () => {
    const { asked, taken } = chosen([way(0, 3, 12), way(1, 2, 3.6), way(2, 1.2, 3.6), way(3, 0.8, 3.6)]);
    expect(taken.how).toBe('preheater brought down slowly');
    expect(asked).toEqual([
      [0, 1],
      [2, 3],
    ]);
  });

  it('runs no slow way for a rate that none of them would mend', () => {
    const { asked, taken } = chosen([way(0, 0.5, 14), way(1, 0.5, 9), way(2, 0, 9), way(3, 0, 9)]);
    expect(taken.how).toBe('nozzle drawn away, then off');
    expect(taken.ok).toBe(false);
    expect(asked).toEqual([[0, 1]]);
  });

  it('is the one that leaves the least bow where none will do, the gentler of two alike', () => {
    expect(chosen([way(0, 4, 3), way(1, 3, 3), way(2, 2, 3), way(3, 2, 2)]).taken.how).toBe(
      'preheater brought down slowly',
    );
  });
});

describe('ways down, solved', () => {
  const solved = [0, 1].map((at) => {
    return inOneGo(serially(coolDownOf(request, { ...setting, preheat: at ? setting.preheat : null }, 40)));
  });

  it('end when everything is cool to the touch, later on a warmed board', () => {
    const [cold, warm] = solved as [CoolDown, CoolDown];
    expect(cold.clock_s).toBeGreaterThan(20);
    expect(warm.clock_s).toBeGreaterThan(cold.clock_s);
    expect(warm.clock_s).toBeLessThanOrEqual(AIR.coolLongest_s);
    expect(PLAN.cool_K).toBeLessThan(kelvin(60));
  });

  it('a small pack falls fastest let go at once, and slower the nozzle drawn away (common practice)', () => {
    const falls = [0, 1].map((at) => {
      return inOneGo(wayDown(request, { setting, air_s: 90, way: at })).fall_K_s;
    }) as [number, number];
    expect(falls[1]).toBeGreaterThan(0);
    expect(falls[1]).toBeLessThan(falls[0]);
  });

  it('never claims more than it found', () => {
    for (const one of solved)
      expect(one.ok).toBe(one.bowLeft <= one.bowLimit && one.fall_K_s <= AIR.coolRamp_K_s);
  });
});
