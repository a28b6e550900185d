import type { PlacedPad } from '~/core/electrical/checklist';
import { doseCurve } from '~/core/thermal/history';
import type { LaminateId } from '~/core/materials/laminates';
import { celsius } from '~/core/quantity/convert';
import { bondEndurance } from '~/core/thermal/dose';
import type { JointRun, Probe } from '~/core/thermal/joint/simulate';
import type { RunEvent } from '~/core/record/runEvents';
import { placedPadsOf } from '~/schema/exchange/si/placedPads';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { sitesOf } from '~/server/store/repositories/sites';

/** Further from an iron than this a board stays too cool to cost a pad anything. */
const REACH_m = 20e-3;
/** Places are told apart to this; the board is no steeper between two of them than its rings are wide. */
const STEP_m = 0.25e-3;
/**
 * Pads that stayed cooler than this, and spent less, took no part. One touch of an iron warms the pad beside it
 * to 30 or 40 °C and costs it next to nothing; preheat and long dwells on thick copper cost it more.
 */
export const LEAST_PEAK_C = 30;
export const LEAST_DOSE = 1e-6;

/** The pads about a dwell, each with the probe that stands for it. */
export interface PadsAbout {
  readonly pads: readonly { readonly pad: PlacedPad; readonly probe: number }[];
  readonly probes: readonly Probe[];
}

/** The site that a job heats: where it is, and the face its part is on. */
export interface HeatedSite {
  readonly boardId: string;
  readonly siteId: string;
  readonly side: 'top' | 'bottom';
}

/** Pads within reach of an iron on one pad of a job's site; pads equally far share a probe. */
export function padsAbout(db: Db, { boardId, siteId, side }: HeatedSite, padName: string): PadsAbout {
  const { construction } = getBoard(db, boardId);
  const all = placedPadsOf(sitesOf(db, boardId), construction.copperLayers.length);
  const heated = all.find((pad) => pad.siteId === siteId && pad.name === padName);
  if (!heated) return { pads: [], probes: [] };
  // The iron works on the face opposite the part.
  const ironFace = side === 'top' ? 'bottom' : 'top';
  const probes: Probe[] = [];
  const known = new Map<string, number>();
  const pads = all.flatMap((pad) => {
    const distance_m = Math.hypot(pad.x_m - heated.x_m, pad.y_m - heated.y_m);
    if (pad.id === heated.id || distance_m > REACH_m) return [];
    const face = pad.faces.includes(ironFace) ? 'near' : 'far';
    const step = Math.max(1, Math.round(distance_m / STEP_m));
    const key = `${face} ${step}`;
    if (!known.has(key)) {
      known.set(key, probes.length);
      probes.push({ distance_m: step * STEP_m, face });
    }
    return [{ pad, probe: known.get(key)! }];
  });
  return { pads, probes };
}

/** What each of them took: the board's own temperature under it, spent on its land's bond. */
export function sharesOf(
  { pads }: PadsAbout,
  laminate: LaminateId,
  run: JointRun,
): NonNullable<Extract<RunEvent, { kind: 'exposure' }>['others']> {
  return pads.flatMap(({ pad, probe }) => {
    const row_K = run.probes_K[probe]!;
    const padDose = doseCurve(bondEndurance(laminate), run.time_s, row_K).at(-1)!;
    const peak_C = celsius(row_K.reduce((a, b) => Math.max(a, b), 0));
    return padDose < LEAST_DOSE && peak_C < LEAST_PEAK_C ? [] : [{ padId: pad.id, padDose, peak_C }];
  });
}
