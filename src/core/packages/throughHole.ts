import { FAMILY_TRAITS, TWO_ROWS, type FamilyId } from './families';

/** A through-hole part by its dimensions; a body is a can when it has a diameter, else a block. */
export interface ThroughHolePackage {
  readonly family: FamilyId;
  readonly pins: number;
  readonly pitch_m: number;
  /** Distance between the two rows of a dual in-line part. */
  readonly rowSpacing_m: number;
  readonly leadDiameter_m: number;
  readonly holeDiameter_m: number;
  readonly landDiameter_m: number;
  /** Where each pin stands about the part's centre; left out, they stand as the family's do. */
  readonly places_m?: readonly PinPlace[] | undefined;
  readonly body: BodyBox;
  /** What its own sheet says its body stands, K; left out, its family's limit holds. */
  readonly ownLimit_K?: number | undefined;
}

/** A pin about the part's centre: x to the right, y upward, seen from the part's side. */
export interface PinPlace {
  readonly x_m: number;
  readonly y_m: number;
}

export interface BodyBox {
  readonly shape: 'can' | 'block';
  /** A can's diameter stands in both. */
  readonly length_m: number;
  readonly width_m: number;
  readonly height_m: number;
}

/** One land of a part, about the part's centre: x to the right, y upward, seen from the part's side. */
export interface Land {
  readonly pad: string;
  readonly x_m: number;
  readonly y_m: number;
  readonly diameter_m: number;
  readonly hole_m: number;
  /** Pin one is drawn square, as boards mark it. */
  readonly square: boolean;
}

/** Lands in pin order. Pin one is top left (rows) or left (pairs), seen from the part's side, or where it was placed. */
export function lands(part: ThroughHolePackage): Land[] {
  return Array.from({ length: part.pins }, (_, index) => ({
    pad: String(index + 1),
    ...place(part, index),
    diameter_m: part.landDiameter_m,
    hole_m: part.holeDiameter_m,
    square: index === 0,
  }));
}

function place(part: ThroughHolePackage, index: number): PinPlace {
  const own = part.places_m?.[index];
  if (own) return own;
  if (TWO_ROWS.has(part.family)) {
    const perRow = part.pins / 2;
    const left = index < perRow;
    const row = left ? index : part.pins - 1 - index;
    return {
      x_m: (left ? -0.5 : 0.5) * part.rowSpacing_m,
      y_m: ((perRow - 1) / 2 - row) * part.pitch_m,
    };
  }
  if (part.family === 'dsub') return dsubPlace(part, index);
  return { x_m: (index - (part.pins - 1) / 2) * part.pitch_m, y_m: 0 };
}

/** Two rows in each other's gaps, the longer one first (MIL-DTL-24308, from memory); its pitch is along a row. */
function dsubPlace({ pins, pitch_m, rowSpacing_m }: ThroughHolePackage, index: number): PinPlace {
  const first = Math.ceil(pins / 2);
  const upper = index < first;
  const along = upper ? index : index - first + (pins % 2 === 1 ? 0.5 : 0);
  return { x_m: (along - (first - 1) / 2) * pitch_m, y_m: (upper ? 0.5 : -0.5) * rowSpacing_m };
}

/** Heat capacity of the body, J/K. */
export function bodyCapacity_J_K(part: ThroughHolePackage): number {
  const { length_m, width_m, height_m, shape } = part.body;
  const footprint = shape === 'can' ? (Math.PI / 4) * length_m * width_m : length_m * width_m;
  return footprint * height_m * FAMILY_TRAITS[part.family].bodyHeat.value;
}

/** Surface that meets the air, all but the face toward the board, m². */
export function bodySurface_m2(part: ThroughHolePackage): number {
  const { length_m, width_m, height_m, shape } = part.body;
  return shape === 'can'
    ? Math.PI * length_m * height_m + (Math.PI / 4) * length_m * width_m
    : 2 * (length_m + width_m) * height_m + length_m * width_m;
}

/**
 * A ring of 0.45 mm all round where no land is given: a habit of hand layout (assumed). IPC-2221 §9.1 asks at least
 * 0.25 mm of a plated hole at level A (from memory).
 */
const USUAL_RING_m = 0.45e-3;

export const usualLand_m = (hole_m: number): number => hole_m + 2 * USUAL_RING_m;

/** Places about the middle of all of them, from wherever they were measured. */
export function centred(places: readonly PinPlace[]): PinPlace[] {
  const middle = (values: readonly number[]): number => (Math.min(...values) + Math.max(...values)) / 2;
  const x_m = middle(places.map((p) => p.x_m));
  const y_m = middle(places.map((p) => p.y_m));
  return places.map((p) => ({ x_m: p.x_m - x_m, y_m: p.y_m - y_m }));
}

/** The two pins that stand closest, by their numbers, and how far apart; null for a single pin. */
export function closest(
  places: readonly PinPlace[],
): { readonly one: number; readonly other: number; readonly apart_m: number } | null {
  let found: ReturnType<typeof closest> = null;
  places.forEach((a, i) =>
    places.slice(i + 1).forEach((b, j) => {
      const apart_m = Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m);
      if (!found || apart_m < found.apart_m) found = { one: i + 1, other: i + j + 2, apart_m };
    }),
  );
  return found;
}
