import { formOf } from '../../packages/form';
import { doseRate_1_s, laminateEndurance, padEndurance, type Endurance } from '../../thermal/dose';
import { doseCurve, firstReached_s, valueAt } from '../../thermal/history';
import type { Factors, JointScenario } from '../../thermal/joint/scenario';
import type { LaminateId } from '../../materials/laminates';
import { bodyCounts } from '../goals';
import type { PhaseRequest } from '../request';
import { PLAN } from '../settings';
import type { Touch } from './touch';

/** How long one touch may be held, and why no longer. */
export interface Stop {
  readonly stop_s: number;
  readonly because: 'pad budget' | 'laminate budget' | 'part limit' | 'longest dwell' | 'past every melt';
}

/** Budget that one touch may spend at its pads, as shares of the whole. */
export interface Allowance {
  readonly padDose: number;
  readonly laminateDose: number;
  /** Body temperature not to be passed; infinite where the part is given up. */
  readonly body_K: number;
}

/** One touch at nominal values. */
export interface PinForecast extends Stop {
  readonly pad: string;
  /** Pads it works on; one, or all that are heated together. */
  readonly pads: readonly string[];
  readonly converged: boolean;
  readonly fullMelt_s: number | null;
  /** When the tip leaves if all goes to plan: melt, settle, reaction. */
  readonly off_s: number | null;
  readonly padDoseAtOff: number;
  readonly laminateDoseAtOff: number;
  readonly bodyPeak_K: number;
  readonly lastToMelt: string;
  /** The coldest solder when the run ended. */
  readonly coldestAtEnd_K: number;
}

export interface Lives {
  readonly pad: Endurance;
  readonly laminate: Endurance;
}

/** Lives of a land of that area and of the laminate under it. */
export function livesAt(laminate: LaminateId, land_m2: number, padLife = 1, laminateLife = 1): Lives {
  const pad = padEndurance(laminate, land_m2);
  const board = laminateEndurance(laminate);
  return {
    pad: { ...pad, scale_s: pad.scale_s * padLife },
    laminate: { ...board, scale_s: board.scale_s * laminateLife },
  };
}

/** Lives at the pin of a through-hole scenario. */
export const livesOf = ({ part, board }: Pick<JointScenario, 'part' | 'board'>): Lives =>
  livesAt(board.laminate, (Math.PI / 4) * (part.landDiameter_m ** 2 - part.holeDiameter_m ** 2));

/** What one touch may spend of what is left at the worst of its pads, and what the part allows. */
export function allowanceFor(request: PhaseRequest, pads: readonly string[]): Allowance {
  const { padDose, laminateDose } = request.history;
  const { site } = request;
  const spent = Math.max(...pads.map((pad) => padDose[pad] ?? 0));
  return {
    padDose: shareOf(spent),
    laminateDose: shareOf(laminateDose),
    body_K: bodyCounts(request.goal, request.phase)
      ? formOf(site.part, site.alloy, request.board.thickness_m).body.limit_K
      : Infinity,
  };
}

/** What one dwell may take of a life of which so much is spent. */
const shareOf = (spent: number): number => Math.max(PLAN.leastShare, PLAN.dwellShare * (1 - spent));

/** The earliest limit that a dwell meets. */
export function stopOf(
  time_s: Float64Array,
  padDose: Float64Array,
  laminateDose: Float64Array,
  body_K: Float64Array,
  allowance: Allowance,
  longest_s: number,
): Stop {
  const limits: [Stop['because'], number | null][] = [
    ['pad budget', firstReached_s(time_s, padDose, allowance.padDose)],
    ['laminate budget', firstReached_s(time_s, laminateDose, allowance.laminateDose)],
    ['part limit', firstReached_s(time_s, body_K, allowance.body_K)],
  ];
  let stop: Stop = { stop_s: longest_s, because: 'longest dwell' };
  for (const [because, at_s] of limits) {
    if (at_s !== null && at_s < stop.stop_s) stop = { stop_s: at_s, because };
  }
  return stop;
}

/** Runs one touch and reads its melt, its stop and its doses. */
export function forecastTouch(
  touch: Touch,
  allowance: Allowance,
  options: { readonly factors?: Factors } = {},
): PinForecast {
  const lives = livesAt(touch.laminate, touch.land_m2);
  let molten_s: number | null = null;
  const liquidusMargin_s = PLAN.settle_s + PLAN.reaction_s;
  let padDose = 0;
  let before_s = 0;
  const run = touch.run({
    duration_s: touch.longest_s + PLAN.past_s,
    factors: options.factors,
    tolerance_K: PLAN.tolerance_K,
    stopWhen: (time_s, land_K, molten) => {
      padDose += doseRate_1_s(lives.pad, land_K) * (time_s - before_s);
      before_s = time_s;
      if (molten && molten_s === null) molten_s = time_s;
      const off = molten_s !== null && time_s >= molten_s + liquidusMargin_s;
      return off && padDose > allowance.padDose;
    },
  });
  const pad = doseCurve(lives.pad, run.time_s, run.land_K);
  const laminate = doseCurve(lives.laminate, run.time_s, run.laminate_K);
  const stop = stopOf(run.time_s, pad, laminate, run.body_K, allowance, touch.longest_s);
  const off_s = run.fullMelt_s === null ? null : run.fullMelt_s + liquidusMargin_s;
  const held_s = off_s ?? stop.stop_s;
  return {
    pad: touch.name,
    pads: touch.pads,
    converged: run.outcome !== 'not-converged',
    ...stop,
    fullMelt_s: run.fullMelt_s,
    off_s,
    padDoseAtOff: valueAt(run.time_s, pad, held_s),
    laminateDoseAtOff: valueAt(run.time_s, laminate, held_s),
    bodyPeak_K: valueAt(run.time_s, run.body_K, held_s),
    lastToMelt: run.lastToMelt,
    coldestAtEnd_K: run.coldestSolder_K.at(-1)!,
  };
}
