import { mean } from 'd3-array';
import { COPPER } from '~/core/materials/copper';
import { flood, OPEN, patches, REACHED } from './flood';
import type { Frame } from './paint';
import { reachedFrom, shareReached, type PadOnCopper, type Reached } from './reached';

/** How a pad meets the copper of one layer, as its picture shows. */
export type CopperConnection =
  | { readonly kind: 'isolated' }
  | { readonly kind: 'track'; readonly width_m: number; readonly count: number }
  | {
      readonly kind: 'thermal-relief';
      readonly spokes: number;
      readonly spokeWidth_m: number;
      readonly spokeLength_m: number;
      readonly pourShare: number;
    }
  | { readonly kind: 'solid-plane'; readonly pourShare: number };

/** Past the land's edge: as far as copper is followed, where its narrowest place is looked for, where a pour shows. */
export const REACH_m = 1.6e-3;
const NECK_m = 0.9e-3;
const POUR_m = [0.8e-3, 1.4e-3] as const;
/** A clearance would have shown within so much of the land's edge. */
const CONTACT_m = 0.25e-3;
/** Copper that ends so close and meets no other land is a stump, or the land itself, told too small. */
const OWN_m = 0.7e-3;

/**
 * Floods a layer's copper from a land, as far as some millimetre past it. What was reached is read by its distance from the
 * land: nothing past it is an isolated pad; copper that stays as narrow is a track; that widens is a relief; that
 * stands all about is a plane. Copper behind a gap does not count, however near it is.
 */
export function connectionAt(image: Uint8Array, frame: Frame, pad: PadOnCopper): CopperConnection {
  const seen = reachedFrom(image, frame, pad, REACH_m);
  const profile = profileOf(seen, frame.pixel_m);
  if (profile.length === 0) return { kind: 'isolated' };
  const end_m = profile.at(-1)!.away_m;
  if (end_m < OWN_m && !seen.meetsOther) return { kind: 'isolated' };

  const neck = profile
    .filter(({ away_m }) => away_m <= Math.min(NECK_m, end_m))
    .reduce((least, ring) => (ring.share < least.share ? ring : least));
  const beyond = profile.filter(({ away_m }) => away_m >= POUR_m[0] && away_m <= POUR_m[1]);
  const far = {
    share: mean(beyond, (ring) => ring.share) ?? 0,
    width_m: mean(beyond, (ring) => ring.width_m) ?? 0,
  };
  const pourShare = (): number => shareReached(image, frame, pad, COPPER.pourReach.value, NECK_m);
  const isPour = far.share > 0.12;
  const contact = Math.min(...profile.filter(({ away_m }) => away_m < CONTACT_m).map((ring) => ring.share));
  if (isPour && far.share > 0.4 && contact > 0.6 && contact > 0.75 * far.share) {
    return { kind: 'solid-plane', pourShare: pourShare() };
  }
  if (isPour && far.width_m > 1.6 * neck.width_m && far.width_m - neck.width_m > 0.8e-3) {
    const gap = gapIn(profile, neck, (neck.share + far.share) / 2);
    const { count, whole } = spokesAt(seen, gap.middle_m, frame.pixel_m);
    return {
      kind: 'thermal-relief',
      spokes: count,
      spokeWidth_m: (whole * gap.copper_m) / count,
      spokeLength_m: gap.rings * frame.pixel_m,
      pourShare: pourShare(),
    };
  }
  const count = Math.max(1, patches(bandAt(seen.cells, seen, neck.away_m, frame.pixel_m), seen.nx));
  return { kind: 'track', width_m: neck.width_m / count, count };
}

/** The rings about the narrowest place that less copper crosses than `share`: how many, their middle, the copper in it. */
function gapIn(
  profile: readonly Ring[],
  neck: Ring,
  share: number,
): { rings: number; middle_m: number; copper_m: number } {
  const at = profile.indexOf(neck);
  const first = profile.findLastIndex((ring, i) => i < at && ring.share >= share) + 1;
  const after = profile.findIndex((ring, i) => i > at && ring.share >= share);
  const rings = (after < 0 ? profile.length : after) - first;
  const middle = profile.slice(first + Math.floor((rings - 1) / 2), first + Math.floor(rings / 2) + 1);
  return {
    rings,
    middle_m: mean(middle, (ring) => ring.away_m) ?? neck.away_m,
    copper_m: mean(middle, (ring) => ring.width_m) ?? neck.width_m,
  };
}

/** Of all that lies as far from the land: the share that was reached, and how wide that is together. */
interface Ring {
  readonly away_m: number;
  readonly share: number;
  readonly width_m: number;
}

/** Rings of one pixel from inside the land outward, to the last that anything of it was reached in. */
function profileOf({ cells, away_m, depth_m }: Reached, pixel_m: number): Ring[] {
  const count = Math.floor((depth_m + REACH_m) / pixel_m);
  const got = new Float64Array(count);
  const all = new Float64Array(count);
  for (let cell = 0; cell < cells.length; cell++) {
    const ring = Math.floor((away_m[cell]! + depth_m) / pixel_m);
    if (ring < 0 || ring >= count) continue;
    all[ring]!++;
    if (cells[cell] === REACHED) got[ring]!++;
  }
  let end = count;
  while (end > 0 && got[end - 1] === 0) end--;
  return Array.from({ length: end }, (_, ring) => ({
    away_m: (ring + 0.5) * pixel_m - depth_m,
    share: all[ring]! > 0 ? got[ring]! / all[ring]! : 0,
    width_m: got[ring]! * pixel_m,
  }));
}

/** Spokes across a distance that do lead on to the pour, and their share of the copper there: a stump whose pour was cleared away is none. */
function spokesAt(seen: Reached, at_m: number, pixel_m: number): { count: number; whole: number } {
  const back = new Uint8Array(seen.cells.length);
  for (let cell = 0; cell < back.length; cell++) {
    if (seen.cells[cell] !== REACHED || seen.away_m[cell]! < at_m - BAND * pixel_m) continue;
    back[cell] = seen.away_m[cell]! > POUR_m[0] ? REACHED : OPEN;
  }
  flood(back, seen.nx);
  const all = bandAt(seen.cells, seen, at_m, pixel_m);
  const whole = bandAt(back, seen, at_m, pixel_m);
  if (whole.length === 0) return { count: Math.max(1, patches(all, seen.nx)), whole: 1 };
  return { count: Math.max(1, patches(whole, seen.nx)), whole: whole.length / all.length };
}

/** Cells so near to a ring, in pixels, are on it. */
const BAND = 0.75;

/** The reached cells on a ring. */
function bandAt(cells: Uint8Array, { away_m }: Reached, at_m: number, pixel_m: number): number[] {
  const band: number[] = [];
  for (let cell = 0; cell < cells.length; cell++)
    if (cells[cell] === REACHED && Math.abs(away_m[cell]! - at_m) <= BAND * pixel_m) band.push(cell);
  return band;
}
