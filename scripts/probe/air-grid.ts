import { inOneGo } from '~/core/stepwise';
import { celsius, kelvin, litresPerMinute } from '~/core/quantity/convert';
import { proveAirSetting } from '~/core/method/air/airBand';
import { nozzlesFor, solveArrangement, type TemperaturePair } from '~/core/method/air/airSearch';
import type { Arrangement } from '~/core/method/air/arrangement';
import { airSettingOf, type Candidate } from '~/core/method/candidate';
import { bodyCounts } from '~/core/method/goals';
import { isSure } from '~/core/method/hand/bands';
import { plan } from '~/core/method/plan/plan';
import { serially } from '~/core/method/plan/pieces/solve';
import type { PhaseRequest } from '~/core/method/request';
import { AIR, PLAN } from '~/core/method/settings';
import { boardTemperature_K } from '~/core/thermal/preheat';
import { FACTORS, requestOf } from '../../tests/plans/factors';
import { coveringRows } from '../../tests/plans/pairs';

/**
 * The search under air held against a grid: jobs of the covering set that are done by air, every 10 K, five flows over the
 * station's whole range, both distances, and every preheater at six temperatures and three soaks; the least damage first,
 * verified and drawn until one is sure. Told is the chosen damage against the least of those that are sure, soak no longer
 * and are no slower.
 *
 *     node scripts/run.mjs scripts/probe/air-grid.ts [how many] [from row]
 */

const STEP_K = 10;
const FLOW_SHARES = [0, 0.25, 0.5, 0.75, 1];
const SOAKS_s = [90, 180, 300];
/** Warmer boards are not asked for by anyone. */
const MOST_BOARD_K = kelvin(165);
const MOST_DRAWN = 6;

const rows = coveringRows(FACTORS) as readonly Readonly<Record<keyof typeof FACTORS, number>>[];
const wanted = Number(process.argv[2] ?? 40);
const from = Number(process.argv[3] ?? 0);

function arrangementsOf(request: PhaseRequest, chosen: Candidate): Arrangement[] {
  const soak_s = chosen.setting.preheat?.soak_s ?? 0;
  const warms = [
    null,
    ...request.preheaters.flatMap(({ kind, setpointRange_K }) =>
      SOAKS_s.filter((s) => s <= soak_s).map((soak) => ({
        kind,
        setpoint_K: setpointRange_K[1],
        soak_s: soak,
      })),
    ),
  ];
  return request.stations.flatMap((station) => {
    const [least, most] = station.flowRange_m3_s;
    const [nozzle] = nozzlesFor(request, station);
    return FLOW_SHARES.flatMap((share) =>
      Object.values(AIR.standoffs_m).flatMap((standoff_m) =>
        warms.map((preheat) => ({
          station,
          nozzle,
          flow_m3_s: least + share * (most - least),
          standoff_m,
          approach_s: bodyCounts(request.goal, request.phase) ? AIR.approach_s : 0,
          preheat,
          shielded: false,
        })),
      ),
    );
  });
}

function pairsOf(request: PhaseRequest, { station, preheat }: Arrangement): TemperaturePair[] {
  const [low_K, high_K] = station.airRange_K;
  const airs = Array.from(
    { length: Math.floor((high_K - low_K) / STEP_K + 1e-6) + 1 },
    (_, i) => low_K + i * STEP_K,
  );
  const heater = request.preheaters.find((p) => p.kind === preheat?.kind);
  if (!preheat || !heater) return airs.map((air_K) => ({ air_K, preheat_K: null }));
  const [least_K, most_K] = [Math.max(heater.setpointRange_K[0], kelvin(100)), heater.setpointRange_K[1]];
  const warm = Array.from({ length: 6 }, (_, i) => most_K - (i * (most_K - least_K)) / 6).filter(
    (setpoint_K) =>
      boardTemperature_K(request.board, { ...preheat, setpoint_K }, request.ambient_K) <= MOST_BOARD_K,
  );
  return airs.flatMap((air_K) => warm.map((preheat_K) => ({ air_K, preheat_K })));
}

/** The least damage that is verified and sure when drawn, of those no slower than the chosen one. */
function leastSure(request: PhaseRequest, chosen: Candidate): Candidate | null {
  const order = arrangementsOf(request, chosen)
    .flatMap((arrangement) => inOneGo(solveArrangement(request, arrangement, pairsOf(request, arrangement))))
    .filter((c) => c.feasible && c.time_s! <= chosen.time_s! + PLAN.airResolution_s)
    .sort((a, b) => a.damage - b.damage);
  for (const candidate of order.slice(0, MOST_DRAWN)) {
    if (candidate.damage >= chosen.damage) return null;
    const { verified, bands } = inOneGo(
      serially(proveAirSetting(request, airSettingOf(candidate), { onlyFeasible: true })),
    );
    if (verified.time_s! <= chosen.time_s! + PLAN.airResolution_s && bands?.every(isSure)) return verified;
  }
  return null;
}

const words = (c: Candidate): string => {
  const { air_K, flow_m3_s, standoff_m, preheat } = airSettingOf(c);
  const warm = preheat
    ? ` over ${preheat.kind} ${celsius(preheat.setpoint_K).toFixed(0)}/${preheat.soak_s}`
    : '';
  return `${celsius(air_K).toFixed(0)} °C ${litresPerMinute(flow_m3_s).toFixed(0)} L/min at ${(standoff_m * 1e3).toFixed(0)} mm${warm}, ${c.time_s!.toFixed(0)} s`;
};
const percent = (share: number): string => (100 * share).toFixed(2);

let held = 0;
let of = 0;
console.log('| job | chosen | damage, % | least sure on the grid | damage, % |');
console.log('| --- | --- | --- | --- | --- |');
for (const [i, row] of rows.entries()) {
  if (i < from) continue;
  if (of >= wanted) break;
  const found = inOneGo(plan(requestOf(row)));
  if (found.outcome !== 'found') continue;
  for (const { chosen, method, request } of found.phases) {
    if (method.heat.kind !== 'air') continue;
    of++;
    const best = leastSure(request, chosen);
    const ok = best === null || chosen.damage <= Math.max(1.1 * best.damage, best.damage + 0.002);
    held += Number(ok);
    console.log(
      `| ${i} ${request.site.part.family}, ${request.phase} | ${words(chosen)} | ${percent(chosen.damage)} | ${best ? words(best) : 'none better'} | ${best ? percent(best.damage) : ''}${ok ? '' : ' ✗'} |`,
    );
  }
}
console.log(`${held} of ${of} within 10 % or 0.2 % of a budget`);
