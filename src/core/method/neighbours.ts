import { ALLOYS } from '../materials/alloys';
import { padPlaces } from '../packages/placement';
import { simulateJoint, type Probe } from '../thermal/joint/simulate';
import { scenarioFor, type Neighbour, type PlanRequest, type Setting } from './request';
import { PLAN } from './settings';

export interface NeighbourHeat {
  readonly ref: string;
  readonly joint_K: number;
  readonly body_K: number;
  readonly ok: boolean;
  /** The pad of the site whose dwell heats it most. */
  readonly worstPad: string;
}

/** Where a pad of the site lies on the board, seen from the top. */
export function padPlace(site: PlanRequest['site'], pad: string): { x_m: number; y_m: number } {
  const at = padPlaces({ ...site, side: site.partSide }, site.part).find((p) => p.pad === pad);
  if (!at) throw new Error(`pad ${pad} is not one of the part's`);
  return at;
}

/** The board's face at a neighbour, seen from one pad of the site. */
export function neighbourProbe(
  request: Pick<PlanRequest, 'site'>,
  pad: string,
  neighbour: Pick<Neighbour, 'x_m' | 'y_m' | 'side'>,
): Probe {
  const at = padPlace(request.site, pad);
  // The iron works on the face opposite the part.
  return {
    distance_m: Math.max(Math.hypot(neighbour.x_m - at.x_m, neighbour.y_m - at.y_m), 0.5e-3),
    face: neighbour.side === request.site.partSide ? 'far' : 'near',
  };
}

/**
 * Hottest each neighbour gets if every pin is held to its stop. Its joint is taken at the board's own
 * temperature under it and its body no hotter than its joint, which is on the safe side for an iron.
 */
export function neighbourHeat(
  request: PlanRequest,
  setting: Setting,
  stops: readonly { pad: string; stop_s: number }[],
): NeighbourHeat[] {
  const perPad = stops.map(({ pad, stop_s }) => {
    const probes = request.neighbours.map((n) => neighbourProbe(request, pad, n));
    const run = simulateJoint(scenarioFor(request, setting, pad), {
      duration_s: Math.max(stop_s, 0.1),
      probes,
    });
    return { pad, peaks_K: run.probes_K.map((row) => row.reduce((a, b) => Math.max(a, b), 0)) };
  });
  return request.neighbours.map((neighbour, i) => {
    const worst = perPad.reduce((a, b) => (b.peaks_K[i]! > a.peaks_K[i]! ? b : a));
    const joint_K = worst.peaks_K[i]!;
    const limit_K = ALLOYS[neighbour.alloy].solidus.value - PLAN.neighbourMargin_K;
    return {
      ref: neighbour.ref,
      joint_K,
      body_K: joint_K,
      ok: joint_K <= limit_K && joint_K <= PLAN.neighbourBody_K,
      worstPad: worst.pad,
    };
  });
}
