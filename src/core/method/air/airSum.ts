import { ALLOYS } from '~/core/materials/alloys';
import { SOLVER } from '~/core/thermal/network/settings';
import { formOf } from '~/core/packages/form';
import { bondEndurance, laminateEndurance } from '~/core/thermal/dose';
import { doseCurve, firstReached_s, placeOf, valueAt } from '~/core/thermal/history';
import { steepestRise_K_s } from '~/core/thermal/ramp';
import { Superposition, type UnitResponses } from '~/core/thermal/field/respond';
import type { Candidate } from '../candidate';
import type { PinForecast } from '../limits/forecast';
import { judgeNeighbour } from '../limits/neighbours';
import { matesOf, padNameIn, type AirSetting, type PhaseRequest } from '../request';
import { AIR } from '../settings';
import { airCandidate } from './airCandidate';
import { longestAir_s, shockDamage, type AirLimits } from './airJudge';
import { airFrom_s } from './airScenario';
import type { Arrangement } from './arrangement';

/**
 * Reads pairs of temperatures, K, out of one arrangement's unit responses: melts, doses and limits of their sum. What is
 * the same for every pair is made once, and only what is asked is summed: a search reads thousands. Under air the pads share
 * what they cost, so that a search is told of the last to melt alone; `told` every pad where they are to be shown.
 */
export function sumReader(
  request: PhaseRequest,
  arrangement: Arrangement,
  responses: UnitResponses,
  limits: AirLimits,
  told: 'the last' | 'every pad' = 'the last',
): (air_K: number, preheat_K: number | null) => Candidate {
  const { time_s, ambient_K, places } = responses;
  const { site, board } = request;
  const end_s = time_s.at(-1)!;
  const group = new Set(matesOf(request).map((mate) => mate.ref));
  const own = places.flatMap((place, i) =>
    group.has(place.ref) && place.pad !== null
      ? [{ pad: padNameIn(site, place.ref, place.pad), place: i }]
      : [],
  );
  const itsBody = places.findIndex((p) => p.ref === site.ref && p.pad === null);
  const near = limits.neighbours.map((limit) => {
    const its = places.flatMap((p, i) => (p.ref === limit.ref ? [{ joint: p.pad !== null, place: i }] : []));
    const of = (joint: boolean): number[] => its.filter((p) => p.joint === joint).map(({ place }) => place);
    return { limit, joints: of(true), bodies: of(false) };
  });
  const alloy = ALLOYS[site.alloy];
  const molten_K = Math.max(alloy.liquidus.value, alloy.solidus.value + SOLVER.eutecticSmear_K);
  const [bond, laminate] = [bondEndurance(board.laminate), laminateEndurance(board.laminate)];
  const { ramp_K_s } = formOf(site.part, site.alloy, board.thickness_m).body;
  const budget = limits.allowance;
  const longest_s = longestAir_s(request);

  return (air_K, preheat_K) => {
    const setting: AirSetting = {
      ...arrangement,
      kind: 'air',
      air_K,
      preheat:
        arrangement.preheat && preheat_K !== null ? { ...arrangement.preheat, setpoint_K: preheat_K } : null,
    };
    const from_s = airFrom_s(setting);
    const sum = new Superposition(responses, air_K + (setting.station.offset_K ?? 0), preheat_K ?? ambient_K);
    const last = lastToMelt(sum, own, molten_K);
    const lastMelt_s = last.at_s;
    const off_s = lastMelt_s === null ? null : lastMelt_s + AIR.settle_s;
    const held_s = Math.min(off_s ?? end_s, end_s);
    const held = placeOf(time_s, held_s);
    const hottestOf = (these: readonly number[]): number => {
      let most_K = -Infinity;
      for (const place of these) most_K = Math.max(most_K, sum.within_K(place, held));
      return most_K;
    };
    // Lands that nothing pushes on share one life; the hottest of them spends most.
    const hottest = own.reduce((a, b) => (sum.within_K(b.place, held) > sum.within_K(a.place, held) ? b : a));
    const hottest_K = sum.history_K(hottest.place);
    const body = sum.history_K(itsBody);
    const at = (row: Float64Array): number => valueAt(time_s, row, held_s);
    const padDose = doseCurve(bond, time_s, hottest_K);
    const laminateDose = doseCurve(laminate, time_s, hottest_K);
    const neighbours = near.map(({ limit, joints, bodies }) =>
      judgeNeighbour(limit, hottestOf(joints), hottestOf(bodies)),
    );
    const stops: [Candidate['pins'][number]['because'], number | null][] = [
      ['pad budget', firstReached_s(time_s, padDose, budget.padDose)],
      ['laminate budget', firstReached_s(time_s, laminateDose, budget.laminateDose)],
      ['part limit', firstReached_s(time_s, body, budget.body_K)],
    ];
    const reached = stops.flatMap(([because, at_s]) =>
      at_s === null ? [] : [{ because, at_s: at_s - from_s }],
    );
    const stop = reached.reduce((a, b) => (b.at_s < a.at_s ? b : a), {
      because: 'longest dwell',
      at_s: longest_s,
    });
    const since = (at_s: number | null): number | null => (at_s === null ? null : at_s - from_s);
    const slowest = own[last.index]!;
    const shared = {
      converged: true,
      stop_s: stop.at_s,
      because: stop.because,
      off_s: since(off_s),
      padDoseAtOff: at(padDose),
      padDoseAllowed: budget.padDose,
      laminateDoseAtOff: at(laminateDose),
      bodyPeak_K: at(body),
      lastToMelt: `pad ${slowest.pad}`,
    };
    const pinOf = (pin: (typeof own)[number]): PinForecast => ({
      ...shared,
      pad: pin.pad,
      pads: [pin.pad],
      fullMelt_s: since(sum.firstReached(pin.place, molten_K)?.at_s ?? null),
      coldestAtEnd_K: sum.at_K(pin.place, time_s.length - 1),
    });
    const rampRatio = steepestRise_K_s(time_s, body, from_s, held_s) / ramp_K_s;
    return airCandidate({
      setting,
      pins: told === 'the last' ? [pinOf(slowest)] : own.map(pinOf),
      time_s: shared.off_s,
      damage: shared.padDoseAtOff + shared.laminateDoseAtOff + shockDamage(request, rampRatio),
      rampRatio,
      neighbours,
      last: slowest.pad,
      inTime: off_s !== null && off_s - from_s <= stop.at_s,
      missed: {
        limit: stop.because === 'longest dwell' ? 'melt' : stop.because,
        short_s: off_s === null ? null : off_s - from_s - stop.at_s,
        shortOfLiquidus_K:
          off_s === null ? Math.max(0, molten_K - sum.at_K(slowest.place, time_s.length - 1)) : null,
      },
    });
  };
}

/**
 * Which of the pads melts last, and when; the first that never does. A pad that is molten a row before the latest so far was
 * is not looked at any closer.
 */
function lastToMelt(
  sum: Superposition,
  pads: readonly { readonly place: number }[],
  molten_K: number,
): { readonly index: number; readonly at_s: number | null } {
  let last = { index: 0, at_s: -Infinity, row: 0 };
  for (let index = 0; index < pads.length; index++) {
    const { place } = pads[index]!;
    if (last.row > 0 && sum.at_K(place, last.row - 1) >= molten_K) continue;
    const melt = sum.firstReached(place, molten_K);
    if (melt === null) return { index, at_s: null };
    if (melt.at_s > last.at_s) last = { index, ...melt };
  }
  return last;
}
