import { relayed } from '~/core/stepwise';
import { padNamesOf } from '~/core/packages/form';
import { fieldDraws } from '~/core/thermal/field/bands';
import { runField, type FieldRun } from '~/core/thermal/field/run';
import type { FieldFactors } from '~/core/thermal/field/scenario';
import type { Watch } from '~/core/thermal/field/watch';
import { percentile, spreadOf } from '~/core/statistics/percentile';
import { ask, type Working } from '../plan/pieces/piece';
import { matesOf, padNameIn, type AirSetting, type PhaseRequest } from '../request';
import { AIR, PLAN } from '../settings';
import { airFrom_s, airScenario } from './airScenario';
import { airLimits, longestAir_s, type AirLimits } from './airJudge';
import { padCount, settled } from './airVerify';
import type { Candidate } from '../candidate';
import type { OfferOf } from '../progress';
import type { PinBand } from '../hand/bands';
import type { Stop } from '../limits/stop';
import type { Drawn } from './airDraw';

/** A setting of air taken through the whole model, and the bands of all pads; no bands where it was given up. */
export interface ProvenAir {
  readonly verified: Candidate;
  readonly bands: readonly PinBand[] | null;
}

/**
 * One full run at nominal values and the draws beside it, for neither needs the other; bands are shown by their slowest
 * pad while they come in. The stop is set as for a hand tool: where a tenth of all draws has met a limit while still
 * held. Where only a feasible setting is wanted the draws are dropped once the full run breaks a limit.
 */
export function* proveAirSetting(
  request: PhaseRequest,
  setting: AirSetting,
  { onlyFeasible, tell }: { readonly onlyFeasible: boolean; readonly tell?: OfferOf | undefined },
): Working<ProvenAir> {
  const longest_s = longestAir_s(request);
  const pads = matesOf(request).flatMap((mate) =>
    padNamesOf(mate.part).map((pad) => padNameIn(request.site, mate.ref, pad)),
  );
  const draws = fieldDraws(airScenario(request, setting, longest_s), AIR.draws, request.seed);
  const bandsOf = (answers: readonly (Candidate | Drawn)[]): PinBand[] =>
    summarise(
      pads,
      answers.flatMap((answer) => (isVerified(answer) ? [] : [answer])),
      longest_s,
    );
  const answers = yield* ask<'air-run' | 'air-draw'>(
    request,
    [
      { kind: 'air-run', setting },
      ...draws.map((factors) => ({ kind: 'air-draw', setting, factors }) as const),
    ],
    {
      enough: (answer) => onlyFeasible && isVerified(answer) && !answer.feasible,
      shown: (came) => {
        const last = came.at(-1)!;
        if (isVerified(last)) return tell?.(last) ?? null;
        return { stage: 'band', phase: request.phase, setting, band: slowest(bandsOf(came)) };
      },
    },
  );
  const verified = answers.find(isVerified)!;
  return { verified, bands: onlyFeasible && !verified.feasible ? null : bandsOf(answers) };
}

const isVerified = (answer: Candidate | Drawn): answer is Candidate => 'feasible' in answer;

const slowest = (bands: readonly PinBand[]): PinBand =>
  bands.reduce((a, b) => (b.melt_s.p50 > a.melt_s.p50 ? b : a));

/** One draw of the whole model, until all is molten and settled or a limit is met. */
export function* drawAir(
  request: PhaseRequest,
  setting: AirSetting,
  factors: FieldFactors,
): Generator<null, Drawn> {
  const limits = airLimits(request, padNamesOf(request.site.part));
  const from_s = airFrom_s(setting);
  const isSettled = settled(padCount(request));
  let limit: Stop | null = null;
  const run = runField(airScenario(request, setting, longestAir_s(request)), {
    factors,
    stopWhen: (time_s, watch) => {
      const broken = brokenBy(watch, limits);
      if (broken) limit = { stop_s: Math.max(0, time_s - from_s), because: broken };
      return broken !== null || isSettled(time_s, watch);
    },
  });
  const drawn = yield* relayed(run, () => null);
  return drawnOf(drawn, request, from_s, limit);
}

function brokenBy(watch: Watch, { allowance }: AirLimits): Stop['because'] | null {
  if (watch.bodies[0]!.peak_K > allowance.body_K) return 'part limit';
  if (watch.board.laminateDose > allowance.laminateDose) return 'laminate budget';
  for (const pad of watch.pads) if (pad.dose > allowance.padDose) return 'pad budget';
  return null;
}

function drawnOf(run: FieldRun, request: PhaseRequest, from_s: number, limit: Stop | null): Drawn {
  const group = new Set(matesOf(request).map((mate) => mate.ref));
  const own = run.pads
    .filter((pad) => group.has(pad.ref))
    .map((pad) => ({ ...pad, pad: padNameIn(request.site, pad.ref, pad.pad) }));
  const melts = own.map((pad) => [pad.pad, (pad.fullMelt_s ?? Infinity) - from_s] as const);
  return {
    melt_s: new Map(melts),
    last_s: Math.max(...melts.map(([, melt]) => melt)),
    limit,
    padDose: new Map(own.map((pad) => [pad.pad, pad.dose])),
    padPeak_K: new Map(own.map((pad) => [pad.pad, pad.peak_K])),
    laminateDose: run.board.laminateDose,
  };
}

function summarise(pads: readonly string[], seen: readonly Drawn[], longest_s: number): PinBand[] {
  const lasts = seen.map((d) => d.last_s).sort((a, b) => a - b);
  const stop = stopAmong(seen, lasts.at(-1)!, longest_s);
  const solid = lasts.filter((t) => t > stop.stop_s).length / lasts.length;
  const holds = seen
    .flatMap((d) => (d.last_s <= stop.stop_s ? [(d.limit?.stop_s ?? stop.stop_s) - d.last_s] : []))
    .sort((a, b) => a - b);
  const hold_s = holds.length ? Math.max(0, percentile(holds, 0.1)) : 0;
  const liftFrom_s = percentile(lasts, 0.5) + AIR.settle_s;
  const laminateDose = spreadOf(seen.map((d) => d.laminateDose));
  return pads.map((pad) => ({
    pad,
    pads: [pad],
    draws: seen.length,
    ...stop,
    melt_s: spreadOf(seen.map((d) => d.melt_s.get(pad)!)),
    liftFrom_s,
    holdAfterMelt_s: hold_s,
    chanceSolidAtStop: solid,
    padDose: spreadOf(seen.map((d) => d.padDose.get(pad)!)),
    laminateDose,
    padPeak_K: spreadOf(seen.map((d) => d.padPeak_K.get(pad)!)),
  }));
}

/** Where a tenth of the draws has met a limit while held; else a while past the slowest melt, or the longest. */
function stopAmong(seen: readonly Drawn[], slowest_s: number, longest_s: number): Stop {
  const harmed = seen.flatMap((d) => (d.limit ? [d.limit] : [])).sort((a, b) => a.stop_s - b.stop_s);
  const tenth = Math.max(1, Math.ceil(PLAN.acceptableHarm * seen.length));
  const byHarm = harmed[tenth - 1];
  if (byHarm) return byHarm;
  const patient_s = AIR.patience * slowest_s + AIR.settle_s + AIR.reaction_s;
  return patient_s < longest_s
    ? { stop_s: patient_s, because: 'well past the melt' }
    : { stop_s: longest_s, because: 'longest dwell' };
}
