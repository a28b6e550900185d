import { HOLE_CLEARANCE, type FamilyId } from '../families';
import { centred } from '../throughHole';
import { apart_m } from './lay';
import type { Guess, SeenLand } from './seen';

/** Parts with leads through the board that could have such lands, the likelier first. */
export function holeCandidates(seen: readonly SeenLand[]): Guess[] {
  const by = new Map(seen.map((land) => [land.pad, land]));
  const [one, two] = [by.get('1'), by.get('2')];
  const last = by.get(String(seen.length));
  if (!one) return [];
  const hole_m = one.hole_m!;
  if (hole_m > LARGEST_HOLE_m || seen.length > MOST_PINS) return [];
  const landDiameter_m = Math.min(...seen.map((l) => Math.min(l.width_m, l.height_m) || hole_m + 0.9e-3));
  const common = {
    pins: seen.length,
    leadDiameter_m: Math.min(THICKEST_LEAD_m, Math.max(0.2e-3, hole_m - HOLE_CLEARANCE.value)),
    holeDiameter_m: hole_m,
    landDiameter_m: Math.min(LARGEST_LAND_m, Math.max(hole_m + 0.1e-3, landDiameter_m)),
  };
  const pitch_m = two ? apart_m(one, two) : 2.54e-3;
  const row = (family: FamilyId): Guess => ({
    kind: 'through-hole',
    part: { family, ...common, pitch_m, rowSpacing_m: 7.62e-3 },
  });
  // Lands alone do not tell these apart: the likelier comes first, the others can be chosen.
  if (seen.length === 2)
    return (
      pitch_m >= AXIAL_FROM_m
        ? (['axial', 'radial', 'cell'] as const)
        : (['radial', 'axial', 'header', 'crystal', 'switch'] as const)
    ).map(row);
  const guesses = (['header', 'jack', 'switch', 'relay', 'display', 'transformer'] as const).map(row);
  if (seen.length === 3)
    guesses.push(
      ...(pitch_m < SMALL_TRANSISTOR_m ? (['to92', 'to220'] as const) : (['to220', 'to92'] as const)).map(
        row,
      ),
    );
  guesses.push(...placedCandidates(seen, common));
  if (seen.length % 2 === 0 && seen.length >= 4 && last && apart_m(one, last) > LEAST_ROWS_m) {
    for (const family of ['dip', 'dipSocket'] as const)
      guesses.push({
        kind: 'through-hole',
        part: { family, ...common, pitch_m, rowSpacing_m: apart_m(one, last) },
      });
  }
  return guesses;
}

/** Two leads this far apart or more lie beside their body, not under it (common practice). */
const AXIAL_FROM_m = 7.6e-3;

/** What a record takes of a part with leads through the board; a hole of more is a screw's. */
const LARGEST_HOLE_m = 4e-3;
const THICKEST_LEAD_m = 3e-3;
const LARGEST_LAND_m = 8e-3;
const MOST_PINS = 64;

/** Rows of a dual in-line part lie 7.62 mm apart or more, of old small ones 6.35; closer ones are a header's. */
const LEAST_ROWS_m = 5e-3;

/** Leads that stand closer than this in line are a small transistor's; those of a power tab 2.54 mm (JEDEC TO-226 and TO-220, from memory). */
const SMALL_TRANSISTOR_m = 2e-3;

/** Rows of D-sub connectors lie 2.84 mm apart and pins 2.77 (MIL-DTL-24308, from memory). */
const DSUB = { pitch_m: 2.77e-3, rows_m: 2.84e-3, slack_m: 0.15e-3, pins: [9, 15, 25, 37] } as const;

/** Families whose pins stand anywhere fit any lands that do not lie in one row: two-row headers, push buttons, jacks. */
function placedCandidates(
  seen: readonly SeenLand[],
  common: {
    readonly pins: number;
    readonly leadDiameter_m: number;
    readonly holeDiameter_m: number;
    readonly landDiameter_m: number;
  },
): Guess[] {
  const ordered = Array.from({ length: seen.length }, (_, i) =>
    seen.find((land) => land.pad === String(i + 1)),
  );
  const lands = ordered.filter((land) => land !== undefined);
  const [one, two] = lands;
  if (lands.length !== seen.length || !one || !two || inOneRow(lands)) return [];
  const of = (family: FamilyId, pitch_m: number, rowSpacing_m: number, placed: boolean): Guess => ({
    kind: 'through-hole',
    part: {
      family,
      ...common,
      pitch_m,
      rowSpacing_m,
      ...(placed ? { places_m: centred(lands) } : {}),
    },
  });
  const near_m = closestTo(one, lands);
  if (
    (DSUB.pins as readonly number[]).includes(seen.length) &&
    Math.abs(apart_m(one, two) - DSUB.pitch_m) < DSUB.slack_m
  )
    return [of('dsub', DSUB.pitch_m, DSUB.rows_m, false), of('header', near_m, near_m, true)];
  // A grid of one pitch both ways is a header of two rows; other patterns are parts of their own.
  const grid =
    lands.length >= 4 &&
    lands.length % 2 === 0 &&
    lands.every((land) => Math.abs(closestTo(land, lands) - near_m) < 0.05 * near_m);
  const header = of('header', near_m, near_m, true);
  const others = (
    seen.length === 3
      ? (['to92', 'jack', 'switch'] as const)
      : (['switch', 'jack', 'relay', 'transformer', 'display'] as const)
  ).map((family) => of(family, near_m, near_m, true));
  return grid ? [header, ...others] : [...others, header];
}

const closestTo = (land: SeenLand, lands: readonly SeenLand[]): number =>
  lands.reduce((least, other) => (other === land ? least : Math.min(least, apart_m(land, other))), Infinity);

/** Off a straight row by more than this is no row, m. */
const ROW_SLACK_m = 0.3e-3;

/** Whether all lie on the line from the first to the one farthest from it. */
function inOneRow([one, ...others]: readonly SeenLand[]): boolean {
  const far = others.reduce((most, land) => (apart_m(one!, land) > apart_m(one!, most) ? land : most), one!);
  const [dx, dy, length_m] = [far.x_m - one!.x_m, far.y_m - one!.y_m, apart_m(one!, far)];
  return others.every(
    ({ x_m, y_m }) => Math.abs(dx * (y_m - one!.y_m) - dy * (x_m - one!.x_m)) < ROW_SLACK_m * length_m,
  );
}
