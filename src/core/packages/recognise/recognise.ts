import { FAMILY_TRAITS } from '../families';
import { surfacePackage } from '../outlines';
import { SURFACE_TRAITS } from '../surfaceFamilies';
import { landShapes, type PartPackage } from '../form';
import { familiesCalled } from '../reference';
import { holeCandidates } from './holeCandidates';
import { layOver, sizeMisfit_m, type LaidOver } from './lay';
import { renamings, type Renaming } from './padNames';
import type { Guess, NamedFamily, SeenLand } from './seen';
import { surfaceCandidates } from './surfaceCandidates';

/** What a part most likely is, and where its centre and turn put it. */
export interface Recognised extends LaidOver {
  readonly part: Guess;
  /** The file's pad of each of the part's own. */
  readonly padOf: ReadonlyMap<string, string>;
}

/** What lands may be, best first, and whether the first stands out. */
export interface Recognition {
  readonly found: readonly Recognised[];
  /** Why the first is no more than likely: others that fit as well, or a list that names another; null where it stands out. */
  readonly doubt: string | null;
}

/** Lands further off than this belong to another family. */
const MISFIT_m = 0.3e-3;
/** Fits closer together than this nobody can tell apart by measuring: layouts differ by as much. */
const ALIKE_m = 0.06e-3;
/** Round bodies with end caps are met once where chips are met a hundred times: one has to fit better by this. */
const RARE_m = 0.06e-3;
/** A family that a part's letters do not stand for has to fit better by this. */
const UNLIKELY_m = 0.15e-3;
/** A family whose pins stand anywhere fits whatever is seen: one with a pattern that fits as well explains more. */
const EXPLAINS_NOTHING_m = 0.06e-3;
/** Fits closer together than this are equal. */
const EQUAL_m = 1e-7;

/**
 * Guesses the family of a set of lands by generating every family that could have as many pads, laying it
 * over them by pad name (least squares over shift and turn: Kabsch 1976) and taking the best. Null
 * where nothing fits.
 */
export const recognise = (seen: readonly SeenLand[]): Recognised | null => recogniseAll(seen)[0] ?? null;

/**
 * Every family and size that fits, best first: what a person may choose another from. Where lands alone do not tell families apart the
 * part's reference does.
 */
export const recogniseAll = (seen: readonly SeenLand[], ref = ''): readonly Recognised[] =>
  recognition(seen, ref, null).found;

/** The same with what a list calls its footprint: that goes first where it fits, and is said where it does not. */
export function recognition(seen: readonly SeenLand[], ref: string, named: NamedFamily | null): Recognition {
  const meant = familiesCalled(ref) as readonly string[];
  const isNamed = ({ found: { part } }: Scored): boolean =>
    named !== null &&
    familyOf(part) === named.family &&
    (named.code === undefined || codeOf(part) === named.code);
  const fits = scoredAll(seen);
  const unlikely = ({ found: { part } }: Scored): boolean => !meant.includes(familyOf(part));
  const weighed = fits
    .map((one) => ({
      ...one,
      score:
        one.score +
        (meant.length > 0 && unlikely(one) ? UNLIKELY_m : 0) +
        (familyOf(one.found.part) === 'melf' ? RARE_m : 0),
    }))
    .sort(
      (a, b) =>
        Number(isNamed(b)) - Number(isNamed(a)) ||
        (Math.abs(a.score - b.score) < EQUAL_m ? 0 : a.score - b.score),
    );
  return { found: weighed.map(({ found }) => found), doubt: doubtOf(weighed, named, isNamed) };
}

interface Scored {
  readonly found: Recognised;
  readonly score: number;
}

function scoredAll(seen: readonly SeenLand[]): Scored[] {
  const best = new Map<string, Scored>();
  for (const renaming of renamings(seen)) {
    for (const part of candidatesFor(renaming.lands)) {
      const scored = fit(part, renaming);
      if (!scored) continue;
      const key = `${familyOf(part)} ${codeOf(part) ?? ''} ${diameterOf(part)}`;
      const before = best.get(key);
      if (!before || scored.score < before.score - EQUAL_m) best.set(key, scored);
    }
  }
  return [...best.values()].sort((a, b) => (Math.abs(a.score - b.score) < EQUAL_m ? 0 : a.score - b.score));
}

function fit(part: Guess, { lands, nameOf, likely }: Renaming): Scored | null {
  const shapes = landShapes(geometryOf(part));
  const laid = layOver(shapes, lands);
  if (!laid || laid.misfit_m > MISFIT_m) return null;
  return {
    found: { part, ...laid, padOf: nameOf },
    score:
      laid.misfit_m +
      0.5 * sizeMisfit_m(shapes, lands) +
      (likely ? 0 : 10 * EQUAL_m) +
      (part.kind === 'through-hole' && part.part.places_m ? EXPLAINS_NOTHING_m : 0),
  };
}

/** Why nobody should take the first without looking; null where it stands out, or its letters or its list say so. */
function doubtOf(
  ordered: readonly Scored[],
  named: NamedFamily | null,
  isNamed: (one: Scored) => boolean,
): string | null {
  const [first, ...others] = ordered;
  if (!first) return null;
  if (named && !isNamed(first))
    return `the list calls it ${named.code ?? nameOf(named.family)}, which its lands do not fit`;
  if (named) return null;
  const rivals = others
    .filter(({ score }) => score - first.score < ALIKE_m)
    .map(({ found: { part } }) => codeOf(part) ?? nameOf(familyOf(part)));
  if (rivals.length === 0) return null;
  return `${rivals.slice(0, 2).join(' and ')}${rivals.length > 2 ? ' and more' : ''} would fit its lands as well`;
}

const familyOf = (guess: Guess) => (guess.kind === 'surface' ? guess.spec.family : guess.part.family);
const codeOf = (guess: Guess) => (guess.kind === 'surface' ? guess.spec.code : undefined);
const diameterOf = (guess: Guess) => (guess.kind === 'surface' ? (guess.spec.diameter_m ?? '') : '');

const nameOf = (family: NamedFamily['family']): string =>
  family in SURFACE_TRAITS
    ? SURFACE_TRAITS[family as keyof typeof SURFACE_TRAITS].name
    : FAMILY_TRAITS[family as keyof typeof FAMILY_TRAITS].name;

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
