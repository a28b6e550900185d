import { ALLOYS } from '~/core/materials/alloys';
import { SOLVER } from '~/core/thermal/network/settings';
import { formOf } from '~/core/packages/form';
import { bondEndurance, laminateEndurance } from '~/core/thermal/dose';
import { doseCurve, firstReached_s, valueAt } from '~/core/thermal/history';
import { steepestRise_K_s } from '~/core/thermal/ramp';
import { rowsFor, superpose, type UnitResponses } from '~/core/thermal/field/respond';
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
 * the same for every pair is made once, and every sum is written into the same room: a search reads thousands. Under air the
 * pads share what they cost, so that a search is told of the last to melt alone; `told` every pad where they are to be shown.
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
  const rows = rowsFor(responses);
  const group = new Set(matesOf(request).map((mate) => mate.ref));
  const own = places.flatMap((place, i) =>
    group.has(place.ref) && place.pad !== null
      ? [{ pad: padNameIn(site, place.ref, place.pad), row: rows[i]! }]
      : [],
  );
  const body = rows[places.findIndex((p) => p.ref === site.ref && p.pad === null)]!;
  const near = limits.neighbours.map((limit) => {
    const its = places.flatMap((p, i) =>
      p.ref === limit.ref ? [{ joint: p.pad !== null, row: rows[i]! }] : [],
    );
    const of = (joint: boolean): Float64Array[] => its.filter((p) => p.joint === joint).map(({ row }) => row);
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
    superpose(responses, air_K + (setting.station.offset_K ?? 0), preheat_K ?? ambient_K, rows);
    const melts = own.map(({ row }) => firstReached_s(time_s, row, molten_K));
    const never = melts.indexOf(null);
    const lastMelt_s = never >= 0 ? null : Math.max(...(melts as number[]));
    const off_s = lastMelt_s === null ? null : lastMelt_s + AIR.settle_s;
    const held_s = Math.min(off_s ?? end_s, end_s);
    const at = (row: Float64Array): number => valueAt(time_s, row, held_s);
    const hottestOf = (these: readonly Float64Array[]): number => Math.max(...these.map(at));
    // Lands that nothing pushes on share one life; the hottest of them spends most.
    const peaks_K = own.map(({ row }) => at(row));
    const hottest = own[peaks_K.indexOf(Math.max(...peaks_K))]!;
    const padDose = doseCurve(bond, time_s, hottest.row);
    const laminateDose = doseCurve(laminate, time_s, hottest.row);
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
    const slowest = own[never >= 0 ? never : melts.indexOf(lastMelt_s)]!;
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
      fullMelt_s: since(melts[own.indexOf(pin)]!),
      coldestAtEnd_K: pin.row[pin.row.length - 1]!,
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
        shortOfLiquidus_K: off_s === null ? Math.max(0, molten_K - slowest.row.at(-1)!) : null,
      },
    });
  };
}
