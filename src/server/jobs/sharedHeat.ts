import type { PadNear } from '~/core/method/heatCost';
import type { Probe } from '~/core/thermal/joint/simulate';
import { placedPadsOf } from '~/schema/exchange/si/placedPads';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { sitesOf } from '~/server/store/repositories/sites';

/** Further from an iron than this a board stays too cool to cost a pad anything. */
const REACH_m = 20e-3;
/** Places are told apart to this; the board is no steeper between two of them than its rings are wide. */
const STEP_m = 0.25e-3;

/** The other pads of a board, and the probes that stand for those within reach of an iron. */
export interface PadsAbout {
  readonly near: readonly PadNear[];
  readonly probes: readonly Probe[];
}

/** The site that a job heats: where it is, and the face its part is on. */
export interface HeatedSite {
  readonly boardId: string;
  readonly siteId: string;
  readonly side: 'top' | 'bottom';
}

/** Pads of other sites and of this one beside the heated pad; those equally far from it share a probe. */
export function padsAbout(db: Db, { boardId, siteId, side }: HeatedSite, padName: string): PadsAbout {
  const { construction } = getBoard(db, boardId);
  const sites = sitesOf(db, boardId);
  const refOf = new Map(sites.map((site) => [site.id, site.ref]));
  const all = placedPadsOf(sites, construction.copperLayers.length);
  const heated = all.find((pad) => pad.siteId === siteId && pad.name === padName);
  // The iron works on the face opposite the part.
  const ironFace = side === 'top' ? 'bottom' : 'top';
  const probes: Probe[] = [];
  const known = new Map<string, number>();
  const probeFor = (pad: (typeof all)[number]): number | null => {
    if (!heated) return null;
    const distance_m = Math.hypot(pad.x_m - heated.x_m, pad.y_m - heated.y_m);
    if (distance_m > REACH_m) return null;
    const face = pad.faces.includes(ironFace) ? 'near' : 'far';
    const step = Math.max(1, Math.round(distance_m / STEP_m));
    const key = `${face} ${step}`;
    if (!known.has(key)) {
      known.set(key, probes.length);
      probes.push({ distance_m: step * STEP_m, face });
    }
    return known.get(key)!;
  };
  const near = all.flatMap((pad): PadNear[] => {
    // Under air, and under a tool on the whole part, the part's own pads have costs of their own.
    if (pad.id === heated?.id || (!heated && pad.siteId === siteId)) return [];
    return [{ padId: pad.id, ref: refOf.get(pad.siteId) ?? '', pad: pad.name, probe: probeFor(pad) }];
  });
  return { near, probes };
}
