import { describe, expect, it } from 'vitest';
import { passesIn_s } from '~/core/method/ahead';
import { heatCourses } from '~/core/method/courses';
import type { HandHeat } from '~/core/method/hand/handTrial';
import { methodOf } from '~/core/method/ways';
import { inOneGo } from '~/core/stepwise';
import { valueAt } from '~/core/thermal/history';
import { jointDraws } from '~/core/thermal/joint/draws';
import { alone } from '~/core/thermal/network/prepared';
import { inPhase, planRequest, settingAt, trackOn } from '../support/samples';

/**
 * Benches that the plan's draws do not hold (another seed), each run through the whole joint model: a thermocouple on the
 * land lags and rounds; the warning has to come before the limit does, and not where none is passed.
 */
const HORIZON_s = 2;
const LAG_s = 0.15;

const request = inPhase(planRequest({ '1': [trackOn(1)], '2': [trackOn(1)] }));
const setting = settingAt(380);
const heat = methodOf('leg-at-a-time').heat as HandHeat;
const touch = heat.touchesOf(request, setting)[0]!;
const courses = inOneGo(heatCourses({ request, method: 'leg-at-a-time', setting }));
const { land } = courses.touches.find((one) => one.touches.includes(touch.name))!;

const benches = jointDraws(touch, 120, 77).map(({ factors }) =>
  alone(touch.prepare({ duration_s: touch.longest_s, factors })),
);

/** First time that a warning stands, and the time at which the limit is really passed; null where never. */
function story(
  limit_K: number,
  run: (typeof benches)[number],
): { warned_s: number | null; passed_s: number | null } {
  let [warned_s, passed_s, read_K]: [number | null, number | null, number] = [null, null, run.land_K[0]!];
  for (let at_s = 0.1; at_s < 8; at_s += 0.1) {
    const true_K = valueAt(run.time_s, run.land_K, at_s);
    read_K += (true_K - read_K) * (1 - Math.exp(-0.1 / LAG_s));
    if (passed_s === null && true_K >= limit_K) passed_s = at_s;
    const told = passesIn_s(land, courses.step_s, at_s, Math.round(read_K * 4) / 4, limit_K, HORIZON_s);
    if (warned_s === null && told !== null) warned_s = at_s;
  }
  return { warned_s, passed_s };
}

describe('a warning before a limit, from the plan’s own courses', () => {
  it('comes before nine in ten that pass it, half a second or more for most', () => {
    // Each bench passes a limit of its own after two seconds, still rising.
    const passing = benches.map((run) => story(valueAt(run.time_s, run.land_K, 2), run));
    const leads = passing.map(({ warned_s, passed_s }) => (warned_s === null ? -1 : passed_s! - warned_s));
    expect(leads.filter((lead_s) => lead_s > 0).length / leads.length).toBeGreaterThan(0.9);
    const sorted = leads.sort((a, b) => a - b);
    expect(sorted[Math.floor(sorted.length / 2)]!).toBeGreaterThan(0.5);
  });

  it('is not cried at those that stay well below', () => {
    const far = benches.map((run) => story(Math.max(...run.land_K) + 25, run));
    expect(far.filter(({ warned_s }) => warned_s !== null).length / far.length).toBeLessThan(0.1);
  });
});
