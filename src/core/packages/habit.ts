/** Where a part's pin one looks, as far as a habit goes: its turn in quarters, counted from its own side. */
export interface TurnedPart {
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  readonly rotation_deg: number;
}

export interface Habit {
  readonly side: 'top' | 'bottom';
  readonly rotation_deg: number;
  /** How many of how many keep to it. */
  readonly keep: number;
  readonly of: number;
  readonly differ: readonly string[];
}

/** Fewer parts than this make no habit, and a habit that fewer keep to is none (assumed). */
const LEAST_PARTS = 4;
const LEAST_SHARE = 0.75;

/**
 * What turn most of a face's parts have, and which differ: a part put in the wrong way round looks just like
 * that. Null where a face has too few of them or no clear habit.
 */
export function habitOf(parts: readonly TurnedPart[], side: 'top' | 'bottom'): Habit | null {
  const here = parts.filter((part) => part.side === side);
  if (here.length < LEAST_PARTS) return null;
  const quarter = (deg: number): number => ((Math.round(deg / 90) % 4) + 4) % 4;
  const counts = [0, 0, 0, 0];
  for (const part of here) counts[quarter(part.rotation_deg)]!++;
  const most = counts.indexOf(Math.max(...counts));
  if (counts[most]! / here.length < LEAST_SHARE) return null;
  return {
    side,
    rotation_deg: 90 * most,
    keep: counts[most]!,
    of: here.length,
    differ: here.filter((part) => quarter(part.rotation_deg) !== most).map((part) => part.ref),
  };
}
