import type { Neighbour, PlanRequest, PlanSite } from '../request';
import { judgeNeighbour, neighbourLimit, type NeighbourHeat } from '../limits/neighbours';
import type { Touch } from './touch';

/**
 * Hottest each neighbour gets if every touch is held to its stop. Its joint is taken at the board's own
 * temperature under it and its body no hotter than its joint, which is on the safe side for a tip.
 */
export function neighbourHeat(
  request: PlanRequest,
  touches: readonly Touch[],
  stop_sOf: (touch: Touch) => number,
): NeighbourHeat[] {
  const { neighbours } = request;
  const perTouch = touches.map((touch) => touch.peaksNear(neighbours, stop_sOf(touch)));
  return neighbours.map((neighbour, i) => {
    const joint_K = Math.max(request.ambient_K, ...perTouch.map((peaks) => peaks[i]!));
    return judgeNeighbour(neighbourLimit(neighbour), joint_K, joint_K);
  });
}

/** A place on the part's face as a neighbour of which nothing is known but where it is: to read warmth there. */
export const bareNeighbour = (site: PlanSite, x_m: number, y_m: number): Neighbour => ({
  ref: '',
  x_m,
  y_m,
  rotation_rad: 0,
  side: site.partSide,
  alloy: site.alloy,
  part: null,
});
