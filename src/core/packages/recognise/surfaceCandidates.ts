import { outlineOf, surfacePackage, type SurfaceSpec } from '../outlines';
import { codesOf, type SizedFamily } from '../sizes';
import { apart_m } from './lay';
import type { Guess, SeenLand } from './seen';

/** Families of two lands that are made in named sizes, the commoner first. */
const SIZED: readonly SizedFamily[] = ['chip', 'sod', 'mouldedDiode', 'tantalum', 'melf'];

/** Parts on lands that could have such lands. */
export function surfaceCandidates(seen: readonly SeenLand[]): Guess[] {
  const of = (spec: SurfaceSpec): Guess => ({ kind: 'surface', spec });
  if (seen.some((land) => /^[A-Z]{1,2}\d+$/.test(land.pad))) return arrayCandidates(seen).map(of);
  const by = new Map(seen.map((land) => [land.pad, land]));
  const [one, two] = [by.get('1'), by.get('2')];
  if (!one || !two) return [];
  if (seen.length === 2) {
    return [
      ...SIZED.flatMap((family) => codesOf(family).map((code) => of({ family, code }))),
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
  if (pins === 5 || pins === 6) guesses.push({ family: 'sot23', pins, pitch_m: apart_m(one, two) });
  if (pins === 4 && by.has('4')) guesses.push({ family: 'sot223', pitch_m: apart_m(one, two) });
  if (pins === 3)
    guesses.push(
      { family: 'sot23', pitch_m: apart_m(one, two) },
      { family: 'dpak', pitch_m: apart_m(one, by.get('3') ?? two) / 2 },
      { family: 'sot89', pitch_m: apart_m(one, by.get('3') ?? two) / 2 },
    );
  if (pins % 2 === 0 && pins >= 4) {
    const pitch_m = pitchOver(pins / 2);
    if (pins === 4) guesses.push({ family: 'button', pitch_m }, { family: 'ceramicCrystal', pitch_m });
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
  sot223: [2.1e-3, 2.5e-3],
  sot89: [1.35e-3, 1.65e-3],
  button: [1.5e-3, 5.5e-3],
  ceramicCrystal: [0.6e-3, 4e-3],
  dpak: [2e-3, 2.8e-3],
  connector: [0.3e-3, 4.3e-3],
};
