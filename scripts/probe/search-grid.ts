import { inOneGo } from '~/core/stepwise';
import { celsius, kelvin } from '~/core/quantity/convert';
import { handSettingOf, type Candidate } from '~/core/method/candidate';
import { isSure } from '~/core/method/hand/bands';
import { bandsByHand } from '~/core/method/hand/handBands';
import { tryOut, type HandHeat } from '~/core/method/hand/handTrial';
import { wetting_K } from '~/core/method/limits/habits';
import { partStands_K } from '~/core/method/hand/warmths';
import { PLAN, WARMTH } from '~/core/method/settings';
import { plan } from '~/core/method/plan/plan';
import { serially } from '~/core/method/plan/pieces/solve';
import type { HandSetting, PhaseRequest } from '~/core/method/request';
import { boardTemperature_K, type Preheat } from '~/core/thermal/preheat';
import { FACTORS, requestOf } from '../../tests/plans/factors';
import { coveringRows } from '../../tests/plans/pairs';

/**
 * The search held against a grid: jobs of the covering set that are done by a tool in the hand, every tip at every 10 K and
 * every preheater at six temperatures and three soaks that board and part stand, drawn from the least damage up until one is sure. Told is the
 * chosen damage against the least of those that are sure, soak no longer and can be timed by a hand as well.
 *
 *     node scripts/run.mjs scripts/probe/search-grid.ts [how many]
 */

const STEP_K = 10;
const SOAKS_s = [90, 180, 300];
/** Warmer boards are not asked for by anyone. */
const MOST_BOARD_K = kelvin(165);
const MOST_DRAWN = 12;

const rows = coveringRows(FACTORS) as readonly Readonly<Record<keyof typeof FACTORS, number>>[];
const wanted = Number(process.argv[2] ?? 40);

function preheatsOf(request: PhaseRequest): (Preheat | null)[] {
  const { preheaters, board, ambient_K } = request;
  // A warmth that its part would not live through is no setting, however little it costs the lands.
  const most_K = Math.min(MOST_BOARD_K, partStands_K(request) + WARMTH.near_K);
  const warm = preheaters.flatMap(({ kind, setpointRange_K: [least_K, hottest_K] }) => {
    const sets_K = Array.from(
      { length: 6 },
      (_, i) => hottest_K - (i * (hottest_K - Math.max(least_K, kelvin(100)))) / 6,
    );
    return sets_K.flatMap((setpoint_K) =>
      SOAKS_s.map((soak_s): Preheat => ({ kind: kind, setpoint_K, soak_s })),
    );
  });
  return [null, ...warm.filter((p) => boardTemperature_K(board, p, ambient_K) <= most_K)];
}

function gridOf(request: PhaseRequest, heat: HandHeat): HandSetting[] {
  return heat.toolsOf(request).flatMap((tool) =>
    tool.tips.flatMap((tip) =>
      preheatsOf(request).flatMap((preheat) => {
        const wets_C = celsius(Math.max(tool.setpointRange_K[0], wetting_K(request)));
        const from_K = kelvin(STEP_K * Math.ceil(wets_C / STEP_K - 1e-6));
        const count = Math.floor((tool.setpointRange_K[1] - from_K) / STEP_K + 1e-6) + 1;
        return Array.from({ length: Math.max(0, count) }, (_, i): HandSetting => ({
          kind: 'hand',
          tool,
          tip,
          setpoint_K: from_K + i * STEP_K,
          preheat,
          fluxed: true,
          freshSolder: heat.freshSolder,
        }));
      }),
    ),
  );
}

/** The least damage that is sure when drawn, among settings that go against no more habits than the chosen one. */
function leastSure(
  request: PhaseRequest,
  heat: HandHeat,
  chosen: Candidate,
  grid: readonly Candidate[],
): Candidate | null {
  const soak_s = chosen.setting.preheat?.soak_s ?? 0;
  const order = grid
    .filter(
      (c) =>
        c.feasible &&
        c.atWorst?.inTime === true &&
        (c.against?.length ?? 0) <= (chosen.against?.length ?? 0) &&
        c.atWorst.late_s <= (chosen.atWorst?.late_s ?? 0) + PLAN.timed_s &&
        (c.setting.preheat?.soak_s ?? 0) <= soak_s,
    )
    .sort((a, b) => a.damage - b.damage);
  for (const candidate of order.slice(0, MOST_DRAWN)) {
    if (candidate.damage >= chosen.damage) return null;
    const bands = inOneGo(serially(bandsByHand(request, heat, handSettingOf(candidate), null)));
    if (bands?.every(isSure)) return candidate;
  }
  return null;
}

const words = (c: Candidate): string => {
  const { tip, setpoint_K, preheat } = handSettingOf(c);
  return `${tip.shape} ${(tip.width_m * 1e3).toFixed(1)} at ${celsius(setpoint_K).toFixed(0)}${preheat ? ` over ${preheat.kind} ${celsius(preheat.setpoint_K).toFixed(0)}/${preheat.soak_s}` : ''}`;
};
const percent = (share: number): string => (100 * share).toFixed(2);

let held = 0;
let of = 0;
console.log('| job | chosen | damage, % | least sure on the grid | damage, % |');
console.log('| --- | --- | --- | --- | --- |');
for (const [i, row] of rows.entries()) {
  if (of >= wanted) break;
  const request = requestOf(row);
  const found = inOneGo(plan(request));
  if (found.outcome !== 'found') continue;
  for (const { chosen, method, request: asked } of found.phases) {
    const { heat } = method;
    if (heat.kind !== 'hand' || (chosen.setting.kind === 'hand' && chosen.setting.perPad_K)) continue;
    of++;
    const grid = gridOf(asked, heat).map((setting) => tryOut(asked, heat, setting));
    const best = leastSure(asked, heat, chosen, grid);
    const ok = best === null || chosen.damage <= Math.max(1.1 * best.damage, best.damage + 0.002);
    held += Number(ok);
    const name = `${i} ${asked.site.part.family}, ${asked.phase}, ${method.id}`;
    console.log(
      `| ${name} | ${words(chosen)} | ${percent(chosen.damage)} | ${best ? words(best) : 'none better'} | ${best ? percent(best.damage) : ''}${ok ? '' : ' ✗'} |`,
    );
  }
}
console.log(`${held} of ${of} within 10 % or 0.2 % of a budget`);
