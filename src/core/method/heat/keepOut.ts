import { CELL } from '../../materials/cells';
import { boardTemperature_K } from '../../thermal/preheat';
import { runField } from '../../thermal/field/run';
import type { Progress } from '../progress';
import type { AirSetting, HandSetting, Neighbour, PhaseRequest } from '../request';
import { airScenario } from './airScenario';
import type { Touch } from './touch';

/** How far from the site a lithium cell has to stay. */
export interface KeepOut {
  readonly limit_K: number;
  /** From the site's middle, m; null where the board as a whole gets that warm. */
  readonly within_m: number | null;
}

/** Distances at which a hand tool's warmth is read, m. */
const AWAY_m = [3e-3, 5e-3, 8e-3, 12e-3, 16e-3, 20e-3, 30e-3, 40e-3, 60e-3, 80e-3];
/** Toward each side of the part. */
const DIRECTIONS = [0, 0.5, 1, 1.5].map((turns) => turns * Math.PI);

/** Heat goes on spreading after the air: the board is followed this much longer, s. */
const AFTER_AIR_s = 60;
const FRAMES = 30;

const limit_K = (): number => CELL.lithiumLimit.value;

export const hasCell = ({ hazards }: PhaseRequest): boolean => hazards.includes('lithium');

/** Under a tool in the hand, every touch held to its stop. */
export function keepOutByHand(
  request: PhaseRequest,
  setting: HandSetting,
  touches: readonly Touch[],
  stop_sOf: (touch: Touch) => number,
): KeepOut {
  if (boardTemperature_K(request.board, setting.preheat, request.ambient_K) >= limit_K())
    return { limit_K: limit_K(), within_m: null };
  const around = AWAY_m.flatMap((away_m) => DIRECTIONS.map((angle) => pointAt(request, away_m, angle)));
  const perTouch = touches.map((touch) => touch.peaksNear(around, stop_sOf(touch)));
  const peaks_K = AWAY_m.map((_, i) =>
    Math.max(...perTouch.flatMap((peaks) => peaks.slice(i * DIRECTIONS.length, (i + 1) * DIRECTIONS.length))),
  );
  return { limit_K: limit_K(), within_m: reachOf(AWAY_m, peaks_K) };
}

/** Under hot air, from both faces of the board as they were until a minute after it. */
export function* keepOutUnderAir(
  request: PhaseRequest,
  setting: AirSetting,
  air_s: number,
): Generator<Progress, KeepOut> {
  const { board, site } = request;
  const cooling = [{ duration_s: AFTER_AIR_s, preheat_K: null }];
  const steps = runField(airScenario(request, setting, air_s, cooling), { frames: FRAMES });
  let next = steps.next();
  while (!next.done) {
    yield { stage: 'verify', done: next.value.time_s, of: next.value.duration_s };
    next = steps.next();
  }
  const { mesh, frames } = next.value;
  let within_m = 0;
  let cold = false;
  for (let c = 0; c < mesh.inside.length; c++) {
    if (!mesh.inside[c]) continue;
    const warm = frames.some((f) => Math.max(f.top_K[c]!, f.bottom_K[c]!) >= limit_K());
    cold ||= !warm;
    if (!warm) continue;
    const x_m = (((c % mesh.nx) + 0.5) * board.length_m) / mesh.nx;
    const y_m = ((Math.floor(c / mesh.nx) + 0.5) * board.width_m) / mesh.ny;
    within_m = Math.max(within_m, Math.hypot(x_m - site.x_m, y_m - site.y_m));
  }
  return { limit_K: limit_K(), within_m: cold ? within_m : null };
}

/** A place on the part's face, so far from its middle. */
function pointAt({ site }: PhaseRequest, away_m: number, angle: number): Neighbour {
  return {
    ref: `at ${away_m}`,
    x_m: site.x_m + away_m * Math.cos(angle),
    y_m: site.y_m + away_m * Math.sin(angle),
    rotation_rad: 0,
    side: site.partSide,
    alloy: site.alloy,
    part: null,
  };
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
