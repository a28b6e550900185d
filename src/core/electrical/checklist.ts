import type { Board } from '~/core/thermal/stackup';
import type { Connection } from '~/core/thermal/joint/scenario';
import { METER } from './meterLimits';
import { COPPER_RESISTIVITY_Ohm_m } from './wire';

/** A land where it lies on the board, seen from the top. */
export interface PlacedPad {
  readonly id: string;
  readonly siteId: string;
  readonly name: string;
  readonly net: string;
  readonly x_m: number;
  readonly y_m: number;
  /** Along the board's x and y. */
  readonly width_m: number;
  readonly height_m: number;
  /** Faces on which a probe reaches it. */
  readonly faces: readonly ('top' | 'bottom')[];
  readonly connections: readonly Connection[];
}

/** A pad to the nearest other point of its net: it must read no more than `limit_Ohm`. */
interface ContinuityCheck {
  readonly kind: 'continuity';
  readonly pad: PlacedPad;
  readonly other: PlacedPad;
  readonly distance_m: number;
  /** What the copper between them should read, probes aside. */
  readonly copper_Ohm: number;
  readonly limit_Ohm: number;
}

/** A pad and its neighbour of another net: they must not touch. */
interface ShortCheck {
  readonly kind: 'short';
  readonly pad: PlacedPad;
  readonly other: PlacedPad;
  readonly gap_m: number;
  /** A net is not known on one side, so that touching might be meant. */
  readonly unknown: boolean;
}

export type Check = ContinuityCheck | ShortCheck;

/** A pad whose continuity cannot be checked, and why. */
export interface Unchecked {
  readonly pad: PlacedPad;
  readonly why: 'net-not-known' | 'alone-on-its-net';
}

export interface Checklist {
  /** In the order of the pads; one probe stays on a pad until all of its checks are done. */
  readonly checks: readonly Check[];
  readonly unchecked: readonly Unchecked[];
}

/**
 * Everything to probe at one part: each pad to the nearest other point of its net, and to each neighbour of
 * another net, every pair once. `all` holds every pad of the board, the part's own included.
 */
export function checklistOf(siteId: string, all: readonly PlacedPad[], board: Board): Checklist {
  const own = all.filter((pad) => pad.siteId === siteId);
  const checks: Check[] = [];
  const unchecked: Unchecked[] = [];
  const done = new Set<string>();
  const least_m = leastGap_m(own);
  for (const pad of own) {
    const other = nearestOfNet(pad, all);
    if (other === null) {
      unchecked.push({ pad, why: pad.net === '' ? 'net-not-known' : 'alone-on-its-net' });
    } else if (!done.has(pairOf(pad, other))) {
      done.add(pairOf(pad, other));
      checks.push(continuity(pad, other, board));
    }
    for (const near of all) {
      if (near.id === pad.id || done.has(pairOf(pad, near)) || !meet(pad, near)) continue;
      if (pad.net !== '' && pad.net === near.net) continue;
      const gap = gap_m(pad, near);
      const bridged_m = METER.bridgedGap.value;
      const reach_m =
        near.siteId === siteId ? Math.max(METER.nextGaps.value * least_m, bridged_m) : bridged_m;
      if (gap > reach_m) continue;
      done.add(pairOf(pad, near));
      checks.push({
        kind: 'short',
        pad,
        other: near,
        gap_m: gap,
        unknown: pad.net === '' || near.net === '',
      });
    }
  }
  return { checks, unchecked };
}

/** The nearest other point of a pad's net; on another part where there is one, since that proves the track. */
export function nearestOfNet(pad: PlacedPad, all: readonly PlacedPad[]): PlacedPad | null {
  if (pad.net === '') return null;
  const mates = all.filter((other) => other.net === pad.net && other.id !== pad.id);
  const elsewhere = mates.filter((other) => other.siteId !== pad.siteId);
  const from = elsewhere.length > 0 ? elsewhere : mates;
  return from.reduce<PlacedPad | null>(
    (best, other) => (best === null || distance_m(pad, other) < distance_m(pad, best) ? other : best),
    null,
  );
}

export const distance_m = (a: PlacedPad, b: PlacedPad): number => Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m);

function continuity(pad: PlacedPad, other: PlacedPad, board: Board): ContinuityCheck {
  const distance = distance_m(pad, other);
  const copper_Ohm = copperBetween_Ohm(pad, other, distance, board);
  return {
    kind: 'continuity',
    pad,
    other,
    distance_m: distance,
    copper_Ohm,
    limit_Ohm: METER.probeContact.value + METER.copperAllowance.value * copper_Ohm,
  };
}

/** Track of the narrower of both widths over the way between; two pads on planes have next to none. */
function copperBetween_Ohm(a: PlacedPad, b: PlacedPad, length_m: number, board: Board): number {
  const narrowest = [a, b]
    .map(narrowestTrack)
    .filter((track) => track !== null)
    .sort((x, y) => x.width_m - y.width_m)[0];
  if (!narrowest) return 0;
  const foil_m = board.copper[narrowest.layer - 1]?.thickness_m ?? board.copper[0]!.thickness_m;
  return (COPPER_RESISTIVITY_Ohm_m * METER.detour.value * length_m) / (narrowest.width_m * foil_m);
}

/** The thinnest track a pad hangs on; null where it has a plane or a relief as well, or no copper at all. */
export function narrowestTrack(pad: Pick<PlacedPad, 'connections'>): {
  readonly width_m: number;
  readonly layer: number;
} | null {
  if (pad.connections.some((c) => c.kind === 'solid-plane' || c.kind === 'thermal-relief')) return null;
  return pad.connections.reduce<{ width_m: number; layer: number } | null>(
    (best, c) =>
      c.kind === 'track' && (best === null || c.width_m < best.width_m)
        ? { width_m: c.width_m, layer: c.layers[0] ?? 1 }
        : best,
    null,
  );
}

/** Copper to copper, as two rectangles. */
function gap_m(a: PlacedPad, b: PlacedPad): number {
  const dx = Math.max(0, Math.abs(a.x_m - b.x_m) - (a.width_m + b.width_m) / 2);
  const dy = Math.max(0, Math.abs(a.y_m - b.y_m) - (a.height_m + b.height_m) / 2);
  return Math.hypot(dx, dy);
}

function leastGap_m(pads: readonly PlacedPad[]): number {
  let least = Infinity;
  pads.forEach((a, i) => {
    for (const b of pads.slice(i + 1)) least = Math.min(least, gap_m(a, b));
  });
  return Number.isFinite(least) ? least : 0;
}

const meet = (a: PlacedPad, b: PlacedPad): boolean => a.faces.some((face) => b.faces.includes(face));

const pairOf = (a: PlacedPad, b: PlacedPad): string => (a.id < b.id ? `${a.id} ${b.id}` : `${b.id} ${a.id}`);
