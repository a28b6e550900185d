import type { Frame } from './paint';

/** How a pad meets the copper of one layer, as its picture shows. */
export type CopperClass = 'isolated' | 'track' | 'thermal-relief' | 'solid-plane';

export interface PadOnCopper {
  readonly x_m: number;
  readonly y_m: number;
  /** Half of the land's smaller side, and half of its diagonal: its edge lies between. */
  readonly radius_m: number;
  readonly reach_m: number;
}

/** Past the land by this much a gap would have shown: clearances are wider (common practice, 0.15 mm up). */
const GAP_m = 0.25e-3;
/** Where a plane shows that lies beyond spokes (assumed). */
const FAR_m = [0.6e-3, 1.6e-3] as const;
const RAYS = 96;

/**
 * Reads a layer's picture along rays out of a land: copper without a gap all round is a plane, some of it
 * with a plane beyond is a relief, some with none beyond a track, none an isolated pad.
 */
export function copperClassAt(image: Uint8Array, frame: Frame, pad: PadOnCopper): CopperClass {
  const joined = joinedShare(image, frame, pad);
  if (joined === 0) return 'isolated';
  const far = farShare(image, frame, pad);
  if (joined > 0.8) return far > 0.5 ? 'solid-plane' : 'track';
  return far > 0.55 ? 'thermal-relief' : 'track';
}

/** Width of the tracks that leave a land, m, from the share of its outline that they fill; at least a pixel. */
export function trackWidthAt(image: Uint8Array, frame: Frame, pad: PadOnCopper): number {
  return Math.max(frame.pixel_m, 2 * Math.PI * (pad.reach_m + GAP_m) * joinedShare(image, frame, pad));
}

/** Share of rays that leave the land without crossing a gap. */
function joinedShare(image: Uint8Array, frame: Frame, pad: PadOnCopper): number {
  const from_m = Math.max(0, pad.radius_m - frame.pixel_m);
  const to_m = pad.reach_m + GAP_m;
  const steps = Math.ceil((to_m - from_m) / (frame.pixel_m / 2));
  let joined = 0;
  for (let ray = 0; ray < RAYS; ray++) {
    const angle = (2 * Math.PI * (ray + 0.5)) / RAYS;
    let whole = true;
    for (let i = 0; whole && i <= steps; i++) {
      const r_m = from_m + ((to_m - from_m) * i) / steps;
      whole = copperAt(image, frame, pad.x_m + r_m * Math.cos(angle), pad.y_m + r_m * Math.sin(angle)) === 1;
    }
    if (whole) joined++;
  }
  return joined / RAYS;
}

function farShare(image: Uint8Array, frame: Frame, pad: PadOnCopper): number {
  let sum = 0;
  for (const share of [0, 0.5, 1]) {
    const r_m = pad.reach_m + FAR_m[0] + share * (FAR_m[1] - FAR_m[0]);
    for (let ray = 0; ray < RAYS; ray++) {
      const angle = (2 * Math.PI * (ray + 0.5)) / RAYS;
      sum += copperAt(image, frame, pad.x_m + r_m * Math.cos(angle), pad.y_m + r_m * Math.sin(angle));
    }
  }
  return sum / (3 * RAYS);
}

function copperAt(image: Uint8Array, frame: Frame, x_m: number, y_m: number): number {
  const column = Math.floor((x_m - frame.x_m) / frame.pixel_m);
  const row = Math.floor((y_m - frame.y_m) / frame.pixel_m);
  if (column < 0 || column >= frame.nx || row < 0 || row >= frame.ny) return 0;
  return image[row * frame.nx + column]!;
}
