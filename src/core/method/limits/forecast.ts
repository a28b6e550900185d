import { isHurt } from '~/core/record/padStates';
import { FAMILY_TRAITS, type FamilyId } from '~/core/packages/families';
import { formOf, isSurface } from '~/core/packages/form';
import { laminateEndurance, lasting, touchedBondEndurance, type Life } from '~/core/thermal/dose';
import { doseCurve, valueAt } from '~/core/thermal/history';
import type { Factors, JointScenario } from '~/core/thermal/joint/scenario';
import type { LaminateId } from '~/core/materials/laminates';
import { bodyCounts } from '../goals';
import type { PhaseRequest } from '../request';
import { PLAN } from '../settings';
import { stopOf, type Allowance, type Stop } from './stop';
import { allSideBySide, readAs, type Prepared } from '~/core/thermal/network/prepared';
import type { Touch, TouchRun } from '../hand/touch';

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
  /** What this touch may spend of a pad's budget: less where some is spent, or the land is hurt. */
  readonly padDoseAllowed: number;
  readonly laminateDoseAtOff: number;
  readonly bodyPeak_K: number;
  readonly lastToMelt: string;
  /** The coldest solder when the run ended. */
  readonly coldestAtEnd_K: number;
}

export interface Lives {
  readonly pad: Life;
  readonly laminate: Life;
}

/** Lives of a land of that area under a tip, and of the laminate under it. */
export function livesAt(laminate: LaminateId, land_m2: number, padLife = 1, laminateLife = 1): Lives {
  return {
    pad: lasting(touchedBondEndurance(laminate, land_m2), padLife),
    laminate: lasting(laminateEndurance(laminate), laminateLife),
  };
}

/** Lives at the pin of a through-hole scenario. */
export const livesOf = ({ part, board }: Pick<JointScenario, 'part' | 'board'>): Lives =>
  livesAt(board.laminate, (Math.PI / 4) * (part.landDiameter_m ** 2 - part.holeDiameter_m ** 2));

/**
 * What one touch may spend of what is left at the worst of its pads, and what the part allows. A land that is gone has
 * nothing to lose.
 */
export function allowanceFor(
  request: PhaseRequest,
  pads: readonly string[],
  { pushed = true }: { readonly pushed?: boolean } = {},
): Allowance {
  const { padDose, laminateDose } = request.history;
  const { site } = request;
  const counts = bodyCounts(request.goal, request.phase);
  const there = pads.filter((pad) => site.padStates[pad] !== 'torn');
  const spent = Math.max(0, ...there.map((pad) => padDose[pad] ?? 0));
  const hurt = pushed && there.some((pad) => isHurt(site.padStates[pad]));
  return {
    // A hurt land has lost some of its bond already: under a tip it is given less of what is reckoned to be left.
    padDose: shareOf(spent) * (hurt ? PLAN.hurtShare : 1),
    laminateDose: shareOf(laminateDose),
    body_K: counts ? formOf(site.part, site.alloy, request.board.thickness_m).body.touchLimit_K : Infinity,
    plastic_K: counts && !isSurface(site.part) ? softening_K(site.part.family) : Infinity,
  };
}

const softening_K = (family: FamilyId): number => FAMILY_TRAITS[family].softens?.value ?? Infinity;

/** What one dwell may take of a life of which so much is spent. */
const shareOf = (spent: number): number => Math.max(PLAN.leastShare, PLAN.dwellShare * (1 - spent));

/** A touch that is asked about; without factors it is as it most likely is. */
export interface AskedTouch {
  readonly touch: Touch;
  readonly allowance: Allowance;
  readonly factors?: Factors | undefined;
}

/** Runs touches until the iron would leave them, and reads their melts, their doses and their stops. */
export const forecastTouches = (asked: readonly AskedTouch[]): PinForecast[] =>
  allSideBySide(asked.map((one) => () => forecast(one)));

function forecast({ touch, allowance, factors }: AskedTouch): Prepared<PinForecast> {
  let molten_s = Infinity;
  const prepared = touch.prepare({
    duration_s: touch.longest_s + PLAN.past_s,
    factors,
    tolerance_K: PLAN.tolerance_K,
    stopWhen: (time_s, _land_K, molten) => {
      if (molten && time_s < molten_s) molten_s = time_s;
      return time_s >= molten_s + AFTER_MELT_s;
    },
  });
  return readAs(prepared, (run) => forecastOf(run, touch, allowance));
}

/** From the melt until the iron has left. */
const AFTER_MELT_s = PLAN.settle_s + PLAN.reaction_s;

function forecastOf(run: TouchRun, touch: Touch, allowance: Allowance): PinForecast {
  const lives = livesAt(touch.laminate, touch.land_m2);
  const pad = doseCurve(lives.pad, run.time_s, run.land_K);
  const laminate = doseCurve(lives.laminate, run.time_s, run.laminate_K);
  const dwell = { time_s: run.time_s, pad, laminate, body_K: run.body_K, plastic_K: run.plastic_K };
  const stop = stopOf(dwell, allowance, touch.longest_s);
  const off_s = run.fullMelt_s === null ? null : run.fullMelt_s + AFTER_MELT_s;
  const held_s = off_s ?? stop.stop_s;
  return {
    pad: touch.name,
    pads: touch.pads,
    converged: run.outcome !== 'not-converged',
    ...stop,
    fullMelt_s: run.fullMelt_s,
    off_s,
    padDoseAtOff: valueAt(run.time_s, pad, held_s),
    padDoseAllowed: allowance.padDose,
    laminateDoseAtOff: valueAt(run.time_s, laminate, held_s),
    bodyPeak_K: valueAt(run.time_s, run.body_K, held_s),
    lastToMelt: run.lastToMelt,
    coldestAtEnd_K: run.coldestSolder_K.at(-1)!,
  };
}
