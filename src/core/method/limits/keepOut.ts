import { verifying } from '../progress';
import { relayed } from '~/core/stepwise';
import { CELL } from '~/core/materials/cells';
import { boardTemperature_K } from '~/core/thermal/preheat';
import { runField } from '~/core/thermal/field/run';
import type { Progress } from '../progress';
import {
  hazardsOf,
  type AirSetting,
  type HandSetting,
  type Neighbour,
  type PhaseRequest,
  type PlanSite,
} from '../request';
import { airScenario } from '../air/airScenario';
import { padPlace } from '../hand/holeTouch';
import { bareNeighbour } from '../hand/neighbours';
import type { Touch } from '../hand/touch';

/** How far from the site a lithium cell has to stay. */
export interface KeepOut {
  readonly limit_K: number;
  /** From the site's middle, m; null where the board as a whole gets that warm. */
  readonly within_m: number | null;
}

/** Distances from a joint at which a hand tool's warmth is read, m. */
const AWAY_m = [1e-3, 2e-3, 3e-3, 5e-3, 8e-3, 12e-3, 16e-3, 20e-3, 30e-3, 40e-3, 60e-3, 80e-3];

/** Heat goes on spreading after the air: the board is followed this much longer, s. */
const AFTER_AIR_s = 60;
const FRAMES = 30;

const limit_K = (): number => CELL.lithiumLimit.value;

export const hasCell = (request: PhaseRequest): boolean => hazardsOf(request).includes('lithium');

/**
 * Under a tool in the hand, every touch held to its stop. The joint model is a disc about its pad, so warmth is read
 * along one way outward; the outermost of the touch's pads may be the one that is hot.
 */
export function keepOutByHand(
  request: PhaseRequest,
  setting: HandSetting,
  touches: readonly Touch[],
  stop_sOf: (touch: Touch) => number,
): KeepOut {
  if (boardTemperature_K(request.board, setting.preheat, request.ambient_K) >= limit_K())
    return { limit_K: limit_K(), within_m: null };
  let within_m = 0;
  for (const touch of touches) {
    const points = AWAY_m.map((away_m) => outward(request.site, touch.pads[0]!, away_m));
    const reach_m = reachOf(AWAY_m, touch.peaksNear(points, stop_sOf(touch)));
    if (reach_m === null) return { limit_K: limit_K(), within_m: null };
    const rim_m = Math.max(...touch.pads.map((pad) => fromMiddle_m(request.site, pad)));
    within_m = Math.max(within_m, reach_m > 0 ? rim_m + reach_m : 0);
  }
  return { limit_K: limit_K(), within_m };
}

/** Under hot air, from both faces of the board as they were until a minute after it. */
export function* keepOutUnderAir(
  request: PhaseRequest,
  setting: AirSetting,
  air_s: number,
): Generator<Progress, KeepOut> {
  const { board, site } = request;
  const cooling = [{ duration_s: AFTER_AIR_s, preheat_K: null }];
  const run = runField(airScenario(request, setting, air_s, cooling), { frames: FRAMES });
  const { picture, frames } = yield* relayed(run, verifying);
  const { nx, ny, inside } = picture!;
  let within_m = 0;
  let cold = false;
  for (let c = 0; c < inside.length; c++) {
    if (!inside[c]) continue;
    const warm = frames.some((f) => Math.max(f.top_K[c]!, f.bottom_K[c]!) >= limit_K());
    cold ||= !warm;
    if (!warm) continue;
    const x_m = (((c % nx) + 0.5) * board.length_m) / nx;
    const y_m = ((Math.floor(c / nx) + 0.5) * board.width_m) / ny;
    within_m = Math.max(within_m, Math.hypot(x_m - site.x_m, y_m - site.y_m));
  }
  return { limit_K: limit_K(), within_m: cold ? within_m : null };
}

const fromMiddle_m = (site: PlanSite, pad: string): number => {
  const at = padPlace(site, pad);
  return Math.hypot(at.x_m - site.x_m, at.y_m - site.y_m);
};

/** A place on the part's face, so far outward of one of its pads. */
function outward(site: PlanSite, pad: string, away_m: number): Neighbour {
  const at = padPlace(site, pad);
  const angle = Math.atan2(at.y_m - site.y_m, at.x_m - site.x_m);
  return bareNeighbour(site, at.x_m + away_m * Math.cos(angle), at.y_m + away_m * Math.sin(angle));
}

/** Farthest place that gets as warm as the limit, read between the distances; null where the farthest still does. */
function reachOf(away_m: readonly number[], peaks_K: readonly number[]): number | null {
  const last = peaks_K.findLastIndex((peak) => peak >= limit_K());
  if (last < 0) return 0;
  if (last === away_m.length - 1) return null;
  const [hot, cool] = [peaks_K[last]!, peaks_K[last + 1]!];
  const share = (hot - limit_K()) / (hot - cool);
  return away_m[last]! + share * (away_m[last + 1]! - away_m[last]!);
}
