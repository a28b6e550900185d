import { verifying } from '../progress';
import { relayed } from '~/core/stepwise';
import { ALLOYS } from '~/core/materials/alloys';
import { padNamesOf } from '~/core/packages/form';
import { runField, type FieldRun } from '~/core/thermal/field/run';
import type { Watch } from '~/core/thermal/field/watch';
import { firstReached_s } from '~/core/thermal/history';
import type { Candidate } from '../candidate';
import type { Progress } from '../progress';
import { matesOf, padNameIn, type AirSetting, type PhaseRequest } from '../request';
import { AIR } from '../settings';
import { airFrom_s, airScenario } from './airScenario';
import { judgeNeighbour } from '../limits/neighbours';
import { airCandidate } from './airCandidate';
import { airLimits, longestAir_s, shockDamage, type AirLimits } from './airJudge';
import type { PinForecast } from '../limits/forecast';

/**
 * The whole model on one setting: latent heat, films that follow the faces, every dose. The air stays until the
 * last pad is molten and settled, or to its longest. Yields as it goes.
 */
export function* verifyAir(request: PhaseRequest, setting: AirSetting): Generator<Progress, Candidate> {
  const pads = padCount(request);
  const scenario = airScenario(request, setting, longestAir_s(request));
  const run = yield* relayed(runField(scenario, { stopWhen: settled(pads) }), verifying);
  return judged(request, setting, run, airLimits(request, padNamesOf(request.site.part)));
}

/** Pads of the site's part and of those that share its heat. */
export const padCount = (request: PhaseRequest): number =>
  matesOf(request).reduce((sum, mate) => sum + padNamesOf(mate.part).length, 0);

/** Ends a run once the first pads have all been molten for the settling time. */
export function settled(pads: number): (time_s: number, watch: Watch) => boolean {
  let molten_s: number | null = null;
  return (time_s, watch) => {
    if (molten_s === null) {
      for (let p = 0; p < pads; p++) if (watch.pads[p]!.fullMelt_s === null) return false;
      molten_s = time_s;
    }
    return time_s >= molten_s + AIR.settle_s;
  };
}

/** What a full run comes to, as a candidate beside the others. */
function judged(request: PhaseRequest, setting: AirSetting, run: FieldRun, limits: AirLimits): Candidate {
  const { site } = request;
  const from_s = airFrom_s(setting);
  const group = new Set(matesOf(request).map((mate) => mate.ref));
  const own = run.pads
    .filter((pad) => group.has(pad.ref))
    .map((pad) => ({ ...pad, pad: padNameIn(site, pad.ref, pad.pad) }));
  const never = own.filter((pad) => pad.fullMelt_s === null);
  const last = never.length
    ? never.reduce((a, b) => (b.history_K.at(-1)! < a.history_K.at(-1)! ? b : a))
    : own.reduce((a, b) => (b.fullMelt_s! > a.fullMelt_s! ? b : a));
  const off_s = never.length ? null : last.fullMelt_s! + AIR.settle_s - from_s;
  const body = run.bodies[0]!;
  const padDose = Math.max(...own.map((pad) => pad.dose));
  const { allowance } = limits;
  const bodyAt_s = firstReached_s(run.time_s, body.history_K, allowance.body_K);
  const broken: PinForecast['because'] | null =
    padDose > allowance.padDose
      ? 'pad budget'
      : run.board.laminateDose > allowance.laminateDose
        ? 'laminate budget'
        : bodyAt_s !== null
          ? 'part limit'
          : null;
  const neighbours = limits.neighbours.map((limit) => {
    const joints = run.pads.filter((pad) => pad.ref === limit.ref).map((pad) => pad.peak_K);
    const body_K = run.bodies.find((b) => b.ref === limit.ref)?.peak_K ?? request.ambient_K;
    return judgeNeighbour(limit, Math.max(request.ambient_K, ...joints), body_K);
  });
  const rampRatio = body.maxRamp_K_s / body.rampLimit_K_s;
  const alloy = ALLOYS[site.alloy];
  return airCandidate({
    setting,
    pins: own.map((pad) => ({
      pad: pad.pad,
      pads: [pad.pad],
      converged: run.outcome !== 'not-converged',
      stop_s: bodyAt_s === null ? longestAir_s(request) : bodyAt_s - from_s,
      because: broken ?? 'longest dwell',
      fullMelt_s: pad.fullMelt_s === null ? null : pad.fullMelt_s - from_s,
      off_s,
      padDoseAtOff: pad.dose,
      padDoseAllowed: allowance.padDose,
      laminateDoseAtOff: run.board.laminateDose,
      bodyPeak_K: body.peak_K,
      lastToMelt: `pad ${last.pad}`,
      coldestAtEnd_K: pad.history_K.at(-1)!,
    })),
    time_s: off_s,
    damage: padDose + run.board.laminateDose + shockDamage(request, rampRatio),
    rampRatio,
    neighbours,
    last: last.pad,
    inTime: off_s !== null && broken === null,
    missed: {
      limit: broken ?? 'melt',
      short_s: off_s === null ? null : Math.max(0, off_s - longestAir_s(request)),
      shortOfLiquidus_K: off_s === null ? Math.max(0, alloy.liquidus.value - last.history_K.at(-1)!) : null,
    },
  });
}
