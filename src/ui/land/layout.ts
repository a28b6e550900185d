import { landShapes } from '~/core/packages/form';
import { millimetres } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';

/** A land where the drawing has it, mm; y counts downward. */
export interface DrawnPlace {
  readonly pad: string;
  readonly x: number;
  readonly y: number;
  readonly halfWidth: number;
  readonly halfHeight: number;
  readonly radius: number;
  readonly hole: number | null;
  readonly lead: number | null;
  readonly round: boolean;
  /** Its nearest pad stands above or below it: words have room beside it only. */
  readonly stacked: boolean;
}

export interface LandLayout {
  readonly places: readonly DrawnPlace[];
  readonly body: { readonly width: number; readonly height: number; readonly can: boolean };
  /** Smallest distance between two pads that follow each other. */
  readonly pitch: number;
  /** No room for a number at every pad: the first, every tenth and the chosen one have theirs, outside the pack. */
  readonly fine: boolean;
  readonly halfWidth: number;
  readonly halfHeight: number;
  /** From the middle to the outermost land or edge of the body. */
  readonly reach: { readonly x: number; readonly y: number };
}

/** Places a part's lands as they are seen from one side. */
export function layoutOf(part: AnyPackageInput, from: 'solder side' | 'part side'): LandLayout {
  const geometry = partOf(part);
  const mirror = from === 'solder side' ? -1 : 1;
  const flat = landShapes(geometry).map((land) => ({
    pad: land.pad,
    x: mirror * millimetres(land.x_m),
    // SVG counts downward.
    y: -millimetres(land.y_m),
    halfWidth: millimetres(land.width_m) / 2,
    halfHeight: millimetres(land.height_m) / 2,
    radius: millimetres(Math.min(land.width_m, land.height_m)) / 2,
    hole: land.hole_m === null ? null : millimetres(land.hole_m) / 2,
    lead: land.lead_m === null ? null : millimetres(land.lead_m) / 2,
    round: land.round,
  }));
  const places = flat.map((place) => ({ ...place, stacked: isStacked(place, flat) }));
  const body = {
    width: millimetres(geometry.body.length_m),
    height: millimetres(geometry.body.width_m),
    can: geometry.body.shape === 'can',
  };
  const pitch = nearestGap(places);
  const reach = {
    x: Math.max(body.width / 2, ...places.map((p) => Math.abs(p.x) + p.halfWidth)),
    y: Math.max(body.height / 2, ...places.map((p) => Math.abs(p.y) + p.halfHeight)),
  };
  const fine = pitch < Math.max(reach.x / 9, reach.y / 6.5, 0.32) * 1.3;
  const margin = fine ? 0.2 * Math.max(reach.x, reach.y) : places[0]!.radius * 2.4;
  return {
    places,
    body,
    pitch,
    fine,
    reach,
    halfWidth: reach.x + margin,
    halfHeight: reach.y + margin * (fine ? 1 : 0.8),
  };
}

export interface LandView {
  readonly viewBox: string;
  /** Size of a letter, more or less: what marks and numbers are measured in. */
  readonly unit: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const ROUNDS = 4;
/** Beside a fine pack numbers and two rows of marks take so many units. */
const MARK_ROOM = 3;

/** The place on the screen that a drawing has, in pixels. */
export interface Frame {
  readonly width: number;
  readonly height: number;
}

/** Letters are this share of the unit at least, and this many pixels: none is ever scaled below it. */
export const LEAST_LETTER = { ofUnit: 0.8, px: 12 } as const;

/**
 * The part of the drawing that is looked at: all of it, or a piece about the chosen pad. Marks and numbers are as large as
 * the part makes them, and never smaller on the screen than can be read.
 */
export function viewOf(
  layout: LandLayout,
  zoom: number,
  selected: string | null,
  frame: Frame | null = null,
): LandView {
  const { fine, places } = layout;
  const own =
    Math.max(layout.halfWidth / (fine ? 12 : 9), layout.halfHeight / (fine ? 12 : 6.5), 0.32) / zoom;
  let unit = own;
  let { halfWidth, halfHeight } = layout;
  let full = 2 * halfHeight + 2.8 * own * zoom;
  // Larger letters take room, which makes all of it a little smaller again: a few rounds settle it.
  for (let round = 0; frame && round < ROUNDS; round++) {
    const px = Math.min(frame.width / (2 * halfWidth), frame.height / full) * zoom;
    unit = Math.max(own, LEAST_LETTER.px / LEAST_LETTER.ofUnit / px);
    const room = fine ? MARK_ROOM * unit : 0;
    halfWidth = Math.max(layout.halfWidth, layout.reach.x + room);
    halfHeight = Math.max(layout.halfHeight, layout.reach.y + room);
    full = 2 * halfHeight + 2.8 * unit * zoom;
  }
  const [width, height] = [2 * halfWidth, full].map((size) => size / zoom) as [number, number];
  const whole = { x: -halfWidth, y: -halfHeight - unit * zoom * 1.2 };
  const at = zoom > 1 ? places.find((p) => p.pad === selected) : undefined;
  const inside = (middle: number, size: number, low: number, full: number): number =>
    Math.min(low + full - size, Math.max(low, middle - size / 2));
  const x = zoom > 1 ? inside(at?.x ?? 0, width, whole.x, width * zoom) : whole.x;
  const y = zoom > 1 ? inside(at?.y ?? 0, height, whole.y, height * zoom) : whole.y;
  return { viewBox: `${x} ${y} ${width} ${height}`, unit, x, y, width, height };
}

function nearestGap(places: readonly Pick<DrawnPlace, 'x' | 'y'>[]): number {
  let least = Infinity;
  places.forEach((p, i) => {
    const next = places[i + 1];
    if (next) least = Math.min(least, Math.hypot(next.x - p.x, next.y - p.y));
  });
  return least;
}

function isStacked(place: { pad: string; x: number; y: number }, all: readonly (typeof place)[]): boolean {
  const away = (p: typeof place): number => Math.hypot(p.x - place.x, p.y - place.y);
  const others = all.filter((p) => p.pad !== place.pad);
  if (others.length < 2) return false;
  const nearest = others.reduce((a, b) => (away(b) < away(a) - 1e-6 ? b : a));
  return Math.abs(nearest.y - place.y) > Math.abs(nearest.x - place.x);
}
