import { CHIP_CODES, outlineOf, surfacePackage, type SurfaceSpec } from './outlines';
import { landShapes, type LandShape, type PartPackage } from './form';
import { HOLE_CLEARANCE, type FamilyId } from './families';
import { familiesCalled } from './reference';
import type { ThroughHolePackage } from './throughHole';

/** A land as an import found it on the board, seen from the part's side; sizes are 0 where the file does not say. */
export interface SeenLand extends Omit<LandShape, 'lead_m' | 'round'> {
  /** How its sides stand on the board seen from the same side, where the file says so. */
  readonly turn_rad?: number;
}

/** What a part most likely is, and where its centre and turn put it. */
export interface Recognised {
  readonly part: Guess;
  readonly x_m: number;
  readonly y_m: number;
  readonly rotation_rad: number;
  /** The land that fits worst lies this far from where the family would have it. */
  readonly misfit_m: number;
}

/** Through-hole parts by their lands' figures, surface parts by what differs from the usual outline. */
export type Guess =
  | { readonly kind: 'through-hole'; readonly part: HoleSpec }
  | { readonly kind: 'surface'; readonly spec: SurfaceSpec };

type HoleSpec = Omit<ThroughHolePackage, 'body'>;

/** Lands further off than this belong to another family. */
const MISFIT_m = 0.3e-3;

/**
 * Guesses the family of a set of lands by generating every family that could have as many pads, laying it
 * over them by pad name (least squares over shift and turn: Kabsch 1976) and taking the best. Null
 * where nothing fits.
 */
export const recognise = (seen: readonly SeenLand[]): Recognised | null => recogniseAll(seen)[0] ?? null;

/**
 * Every family that fits, the best guess of each, best first: what a person may choose another from. Where lands
 * alone do not tell families apart the part's reference does.
 */
export function recogniseAll(seen: readonly SeenLand[], ref = ''): Recognised[] {
  const meant = new Set<string>(familiesCalled(ref));
  const unlike = ({ part }: Recognised): number => Number(!meant.has(familyOf(part)));
  const best = new Map<string, { found: Recognised; score: number }>();
  for (const part of candidatesFor(seen)) {
    const shapes = landShapes(geometryOf(part));
    const laid = layOver(shapes, seen);
    if (!laid || laid.misfit_m > MISFIT_m) continue;
    const score = laid.misfit_m + 0.5 * sizeMisfit_m(shapes, seen);
    const family = familyOf(part);
    const before = best.get(family);
    if (!before || score < before.score - EQUAL_m) best.set(family, { found: { part, ...laid }, score });
  }
  // What was guessed first stays first where two fit alike.
  return [...best.values()]
    .sort((a, b) =>
      Math.abs(a.score - b.score) < EQUAL_m ? unlike(a.found) - unlike(b.found) : a.score - b.score,
    )
    .map(({ found }) => found);
}

const familyOf = (guess: Guess) => (guess.kind === 'surface' ? guess.spec.family : guess.part.family);

/** Fits closer together than this are alike. */
const EQUAL_m = 1e-7;

/** A stand-in for the body is enough: lands do not depend on it. */
const geometryOf = (guess: Guess): PartPackage =>
  guess.kind === 'surface'
    ? surfacePackage(guess.spec)
    : { ...guess.part, body: { shape: 'block', length_m: 1e-3, width_m: 1e-3, height_m: 1e-3 } };

function candidatesFor(seen: readonly SeenLand[]): Guess[] {
  const holed = seen.filter((land) => land.hole_m !== null).length;
  if (holed === seen.length) return holeCandidates(seen);
  // A row of legs with holed pegs beside it is still a surface part; more holes than legs is neither.
  return holed * 2 > seen.length ? [] : surfaceCandidates(seen.filter((land) => land.hole_m === null));
}

function holeCandidates(seen: readonly SeenLand[]): Guess[] {
  const by = new Map(seen.map((land) => [land.pad, land]));
  const [one, two] = [by.get('1'), by.get('2')];
  const last = by.get(String(seen.length));
  if (!one) return [];
  const hole_m = one.hole_m!;
  const landDiameter_m = Math.min(...seen.map((l) => Math.min(l.width_m, l.height_m) || hole_m + 0.9e-3));
  const common = {
    pins: seen.length,
    leadDiameter_m: Math.max(0.2e-3, hole_m - HOLE_CLEARANCE.value),
    holeDiameter_m: hole_m,
    landDiameter_m: Math.max(hole_m + 0.1e-3, landDiameter_m),
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
  if (seen.length === 3) guesses.push(row('to220'));
  if (seen.length % 2 === 0 && seen.length >= 4 && last) {
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

function surfaceCandidates(seen: readonly SeenLand[]): Guess[] {
  const of = (spec: SurfaceSpec): Guess => ({ kind: 'surface', spec });
  if (seen.some((land) => /^[A-Z]{1,2}\d+$/.test(land.pad))) return arrayCandidates(seen).map(of);
  const by = new Map(seen.map((land) => [land.pad, land]));
  const [one, two] = [by.get('1'), by.get('2')];
  if (!one || !two) return [];
  if (seen.length === 2) {
    return [
      ...CHIP_CODES.map((code) => of({ family: 'chip', code })),
      ...CANS_m.map((diameter_m) => of({ family: 'canElectrolytic', diameter_m })),
    ];
  }
  const pins = seen.length;
  // Over a whole row, so that a pad a little off does not add up along it.
  const pitchOver = (legs: number): number => {
    const end = by.get(String(legs));
    return end && legs > 1 ? apart_m(one, end) / (legs - 1) : apart_m(one, two);
  };
  const guesses: SurfaceSpec[] = [];
  if (pins === 3)
    guesses.push(
      { family: 'sot23', pitch_m: apart_m(one, two) },
      { family: 'dpak', pitch_m: apart_m(one, by.get('3') ?? two) / 2 },
    );
  if (pins % 2 === 0 && pins >= 4) {
    const pitch_m = pitchOver(pins / 2);
    for (const family of ['soic', 'ssop', 'tsop', 'soj'] as const) {
      guesses.push({ family, pins, pitch_m });
      if (family === 'soic') guesses.push({ family, pins, pitch_m, length_m: pins > 16 ? 3.9e-3 : 7.5e-3 });
    }
  }
  // A land under the middle of a leadless part is numbered after its legs.
  const legs = pins % 4 === 1 ? pins - 1 : pins;
  if (legs % 4 === 0 && legs >= 8) {
    const pitch_m = pitchOver(legs / 4);
    const middle = pins % 4 === 1 ? by.get(String(pins)) : undefined;
    if (!middle)
      guesses.push(
        { family: 'qfp', pins: legs, pitch_m },
        { family: 'plcc', pins: legs, pitch_m: apart_m(one, two) },
      );
    guesses.push({ family: 'qfn', pins: legs, pitch_m, thermalPad_m: middle ? middle.width_m : 0 });
  }
  // A pack that is longer than wide turns its first corner earlier or later than a square one.
  const sidePins = firstSide(by, pins);
  if (pins % 2 === 0 && sidePins > 1 && sidePins < pins / 2 - 1 && sidePins !== pins / 4)
    guesses.push({ family: 'qfp', pins, sidePins, pitch_m: pitchOver(sidePins) });
  return guesses.map((spec) => stretched(of(spec), seen)).filter((guess) => plausible(guess));
}

/** How many pads lie on one straight line from the first on, a step apart like the first two. */
function firstSide(by: ReadonlyMap<string, SeenLand>, pins: number): number {
  const at = (n: number): SeenLand | undefined => by.get(String(n));
  const [one, two] = [at(1), at(2)];
  if (!one || !two) return 0;
  const [dx, dy] = [two.x_m - one.x_m, two.y_m - one.y_m];
  const step_m = Math.hypot(dx, dy);
  for (let n = 2; n < pins; n++) {
    const [a, b] = [at(n), at(n + 1)];
    if (!a || !b) return 0;
    if (Math.hypot(b.x_m - a.x_m - dx, b.y_m - a.y_m - dy) > CORNER_SHARE * step_m) return n;
  }
  return pins;
}

/** A step that differs by more than this share of the pitch goes round a corner. */
const CORNER_SHARE = 0.4;

/** Can sizes that are made, m (common practice). */
const CANS_m = [4e-3, 5e-3, 6.3e-3, 8e-3, 10e-3];

function arrayCandidates(seen: readonly SeenLand[]): SurfaceSpec[] {
  const rows = new Set(seen.map((land) => land.pad.replace(/\d+$/, ''))).size;
  const columns = Math.max(...seen.map((land) => Number(/\d+$/.exec(land.pad)?.[0] ?? 0)));
  const [first, last] = ['A1', `A${columns}`].map((pad) => seen.find((land) => land.pad === pad));
  if (!first || !last || columns < 2 || columns > 60 || rows > 60) return [];
  // Over the whole row: what one ball is off by would add up along it.
  return [{ family: 'bga', rows, columns, pitch_m: apart_m(first, last) / (columns - 1) }];
}

/** Sets the span over the leads so that the rows lie as far apart as they were seen; the body follows. */
function stretched(guess: Guess, seen: readonly SeenLand[]): Guess {
  if (guess.kind !== 'surface') return guess;
  const { spec } = guess;
  const usual = surfacePackage(spec);
  const pins = spec.pins ?? usual.lands.length;
  /** How much further two pads lie from each other than in the usual outline. */
  const moreBetween = ([pad, opposite]: readonly [string, string | null]): number | null => {
    const between = (
      lands: readonly { readonly pad: string; readonly x_m: number; readonly y_m: number }[],
    ) => {
      const [a, b] = [pad, opposite].map((name) => lands.find((land) => land.pad === name));
      return a && b ? apart_m(a, b) : null;
    };
    const [found_m, usual_m] = [between(seen), between(usual.lands)];
    return found_m === null || usual_m === null ? null : found_m - usual_m;
  };
  // Tip to tip lies as far over the lands' middles as in the usual outline.
  const more_m = moreBetween(facing(spec, pins));
  if (more_m === null) return guess;
  const tips_m = outlineOf(spec).span_m + more_m;
  const length_m = Math.max(0.4e-3, usual.body.length_m + more_m);
  if (tips_m <= 0.4e-3) return guess;
  const stretchedSpec = { ...spec, span_m: tips_m, length_m };
  if (spec.sidePins !== undefined) {
    // The first pad of the lower side and the last of all face each other along the pack.
    const along_m = moreBetween([String(spec.sidePins + 1), String(pins)]) ?? 0;
    return { kind: 'surface', spec: { ...stretchedSpec, width_m: usual.body.width_m + along_m } };
  }
  const square = QUADS.has(spec.family);
  return { kind: 'surface', spec: { ...stretchedSpec, ...(square ? { width_m: length_m } : {}) } };
}

const QUADS: ReadonlySet<SurfaceSpec['family']> = new Set(['qfp', 'qfn', 'plcc']);

/** Two pads that lie straight across the part from each other; none where the family has no span to set. */
function facing({ family, sidePins = 0 }: SurfaceSpec, pins: number): [pad: string, opposite: string | null] {
  switch (family) {
    case 'soic':
    case 'ssop':
    case 'tsop':
    case 'soj':
    case 'connector':
    case 'button':
    case 'ceramicCrystal':
      return ['1', String(pins)];
    case 'qfp':
    case 'qfn':
      return ['1', String(pins / 2 + (sidePins || pins / 4))];
    case 'plcc':
      return ['1', String(1 + pins / 2)];
    default:
      return ['1', null];
  }
}

/** Bodies thinner than their own rows, or legs wider than their pitch, are no such part. */
function plausible(guess: Guess): boolean {
  if (guess.kind !== 'surface') return true;
  const { family, pitch_m = 1 } = guess.spec;
  const [least_m, most_m] = PITCHES_m[family] ?? [0, 1];
  return pitch_m >= least_m && pitch_m <= most_m;
}

/** Pitches a family is made in (outline standards as in outlines.ts, from memory). */
const PITCHES_m: Partial<Record<SurfaceSpec['family'], readonly [number, number]>> = {
  soic: [1.2e-3, 1.35e-3],
  ssop: [0.4e-3, 0.7e-3],
  tsop: [0.49e-3, 1.3e-3],
  soj: [1.2e-3, 1.35e-3],
  plcc: [1.2e-3, 1.35e-3],
  qfp: [0.3e-3, 1.05e-3],
  qfn: [0.3e-3, 1.3e-3],
  sot23: [0.5e-3, 2.4e-3],
  dpak: [2e-3, 2.8e-3],
  connector: [0.3e-3, 4.3e-3],
};

const apart_m = (
  a: { readonly x_m: number; readonly y_m: number },
  b: { readonly x_m: number; readonly y_m: number },
): number => Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m);

/** Best shift and turn that carry the family's lands onto those of the same name; null if a name is missing. */
function layOver(
  shapes: readonly { readonly pad: string; readonly x_m: number; readonly y_m: number }[],
  seen: readonly SeenLand[],
): Omit<Recognised, 'part'> | null {
  const by = new Map(seen.map((land) => [land.pad, land]));
  const pairs = shapes.map((shape) => ({ shape, land: by.get(shape.pad) }));
  if (pairs.length !== seen.length || pairs.some((pair) => !pair.land)) return null;
  const mean = (of: (pair: (typeof pairs)[number]) => number): number =>
    pairs.reduce((sum, pair) => sum + of(pair), 0) / pairs.length;
  const [sx, sy] = [mean((p) => p.shape.x_m), mean((p) => p.shape.y_m)];
  const [lx, ly] = [mean((p) => p.land!.x_m), mean((p) => p.land!.y_m)];
  let dot = 0;
  let cross = 0;
  for (const { shape, land } of pairs) {
    const [ax, ay] = [shape.x_m - sx, shape.y_m - sy];
    const [bx, by_] = [land!.x_m - lx, land!.y_m - ly];
    dot += ax * bx + ay * by_;
    cross += ax * by_ - ay * bx;
  }
  const rotation_rad = Math.atan2(cross, dot);
  const [cos, sin] = [Math.cos(rotation_rad), Math.sin(rotation_rad)];
  const x_m = lx - (sx * cos - sy * sin);
  const y_m = ly - (sx * sin + sy * cos);
  const misfit_m = Math.max(
    ...pairs.map(({ shape, land }) =>
      Math.hypot(
        x_m + shape.x_m * cos - shape.y_m * sin - land!.x_m,
        y_m + shape.x_m * sin + shape.y_m * cos - land!.y_m,
      ),
    ),
  );
  return { x_m, y_m, rotation_rad, misfit_m };
}

/** How far the lands' areas differ, as lengths; files turn their sizes or not, so areas alone are compared. */
function sizeMisfit_m(
  shapes: readonly { readonly pad: string; readonly width_m: number; readonly height_m: number }[],
  seen: readonly SeenLand[],
): number {
  const by = new Map(seen.map((land) => [land.pad, land]));
  let worst = 0;
  for (const shape of shapes) {
    const land = by.get(shape.pad);
    if (!land || land.width_m * land.height_m === 0) continue;
    worst = Math.max(
      worst,
      Math.abs(Math.sqrt(shape.width_m * shape.height_m) - Math.sqrt(land.width_m * land.height_m)),
    );
  }
  return worst;
}
