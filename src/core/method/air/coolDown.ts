import { verifying } from '../progress';
import { relayed } from '~/core/stepwise';
import { ALLOYS } from '~/core/materials/alloys';
import { BOW_LIMIT } from '~/core/thermal/warp';
import { runField, type FieldRun } from '~/core/thermal/field/run';
import type { Progress } from '../progress';
import { ask, type Working } from '../plan/pieces/piece';
import type { AirSetting, PhaseRequest, PlanRequest } from '../request';
import { AIR, PLAN } from '../settings';
import { airFrom_s, airScenario, surfaceMounted, type CoolStage } from './airScenario';
import type { CoolDown } from './wayDown';

interface Way {
  readonly how: CoolDown['how'];
  readonly held_s: number;
  readonly away_s: number;
  readonly stages: CoolStage[];
}

/** Ways down, the quickest first. */
function ways(setting: AirSetting): Way[] {
  const rest = (used_s: number): CoolStage => ({ duration_s: AIR.coolLongest_s - used_s, preheat_K: null });
  const warm = setting.preheat;
  const away_s = AIR.awayAfter_s;
  // Away in steps: drawn off at one go, thin air cools a hot body faster than none.
  const away = AIR.awaySteps.map((share): CoolStage => ({
    duration_s: away_s / AIR.awaySteps.length,
    preheat_K: warm ? [warm.setpoint_K, warm.setpoint_K] : null,
    airFrom_m: setting.standoff_m + share * (AIR.approachStandoff_m - setting.standoff_m),
  }));
  const plain: Way[] = [
    { how: 'off at once', held_s: 0, away_s: 0, stages: [rest(0)] },
    {
      how: 'nozzle drawn away, then off',
      held_s: warm ? away_s : 0,
      away_s,
      stages: [...away, rest(away_s)],
    },
  ];
  if (!warm) return plain;
  const { setpoint_K } = warm;
  return [
    ...plain,
    {
      how: 'preheater held, then off',
      held_s: 60,
      away_s,
      stages: [...away, { duration_s: 60 - away_s, preheat_K: [setpoint_K, setpoint_K] }, rest(60)],
    },
    {
      how: 'preheater brought down slowly',
      held_s: 240,
      away_s,
      stages: [...away, { duration_s: 240 - away_s, preheat_K: [setpoint_K, PLAN.cool_K] }, rest(240)],
    },
  ];
}

/** The quickest way down that keeps bow and cooling rate within their limits, or the gentlest if none does. */
export function* coolDownOf(request: PhaseRequest, setting: AirSetting, air_s: number): Working<CoolDown> {
  const count = ways(setting).length;
  const piece = (way: number) => ({ kind: 'way-down', setting, air_s, way }) as const;
  // Most boards may simply be let go; the next way is run beside that one, for where it will not do.
  const isPlain = ({ how }: CoolDown): boolean => how === 'off at once';
  const quick = yield* ask(request, [piece(0), piece(1)], { enough: (one) => isPlain(one) && one.ok });
  const plain = quick.find(isPlain);
  if (plain?.ok) return plain;
  const away = quick.find((one) => !isPlain(one))!;
  // Those that hold the preheater draw the nozzle away as that one does: they mend a bow, not a rate.
  const bows = away.bowLeft > away.bowLimit;
  const slower = Array.from({ length: count - 2 }, (_, i) => piece(i + 2));
  const all = [...quick, ...(bows ? yield* ask(request, slower) : [])];
  return all.find((one) => one.ok) ?? all.reduce((a, b) => (gentler(b, a) ? b : a));
}

const gentler = (a: CoolDown, b: CoolDown): boolean =>
  a.bowLeft < b.bowLeft - 1e-6 || (a.bowLeft < b.bowLeft + 1e-6 && a.fall_K_s < b.fall_K_s);

/** One way down, run from the soak on: what it leaves in the board. */
export function* wayDown(
  request: PlanRequest,
  { setting, air_s, way }: { readonly setting: AirSetting; readonly air_s: number; readonly way: number },
): Generator<Progress, CoolDown> {
  const taken = ways(setting)[way]!;
  const off_s = airFrom_s(setting) + air_s;
  const held_s = Math.max(taken.held_s, taken.away_s);
  const run = runField(airScenario(request, setting, air_s, taken.stages), {
    stopWhen: (time_s, watch) => time_s > off_s + held_s && watch.hottestNow_K() < PLAN.cool_K,
  });
  return read(request, setting, air_s, taken, yield* relayed(run, verifying));
}

function read(request: PlanRequest, setting: AirSetting, air_s: number, way: Way, run: FieldRun): CoolDown {
  const off_s = airFrom_s(setting) + air_s;
  const own = run.pads.filter((pad) => pad.ref === request.site.ref).map((pad) => pad.history_K);
  const rows = [...own, ...run.bodies.map((body) => body.history_K)];
  let cool_s = off_s;
  rows.forEach((row) => {
    for (let i = 1; i < row.length; i++) {
      if (run.time_s[i]! > off_s && row[i]! > PLAN.cool_K) cool_s = Math.max(cool_s, run.time_s[i]!);
    }
  });
  const fall_K_s = fallOf(run, off_s, ALLOYS[request.site.alloy].liquidus.value);
  const bowLimit = surfaceMounted(request) ? BOW_LIMIT.surfaceMount : BOW_LIMIT.other;
  return {
    how: way.how,
    clock_s: cool_s - off_s,
    heldPreheat_s: way.held_s,
    airAway_s: way.away_s,
    bowHot: run.board.bowHot,
    bowLeft: run.board.bowLeft,
    bowLimit,
    fall_K_s,
    ok: run.board.bowLeft <= bowLimit && fall_K_s <= AIR.coolRamp_K_s,
  };
}

/** Zero for a body that never passes `to_K`, or has not come down to it by the end. */
function fallOf({ time_s, bodies }: FieldRun, off_s: number, to_K: number): number {
  const body = bodies[0]!.history_K;
  const end = time_s.findLastIndex((t) => t <= off_s + 1e-9);
  const below = body.findIndex((t_K, i) => i > end && t_K <= to_K);
  if (end < 0 || below < 0 || body[end]! <= to_K) return 0;
  const before_K = body[below - 1]!;
  const share = (before_K - to_K) / (before_K - body[below]!);
  const at_s = time_s[below - 1]! + share * (time_s[below]! - time_s[below - 1]!);
  return (body[end]! - to_K) / (at_s - off_s);
}
