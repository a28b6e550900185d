import type { PinAnswer } from '~/schema/planAnswer';
import { padsWords } from './pinGroups';

/** Medians closer than this share of the earlier one are not told apart. */
const ALIKE = 0.05;

export interface MeltRank {
  /** 1 melts first. */
  readonly rank: number;
  readonly of: number;
}

interface Tier {
  readonly melt_s: number;
  readonly pads: readonly string[];
}

/** Pads in the order in which they melt; those that the estimate cannot tell apart stand together. */
function tiersOf(pins: readonly PinAnswer[]): Tier[] {
  const sorted = pins
    .map((pin) => ({ melt_s: pin.melt_s.p50 ?? Infinity, pads: pin.pads.length > 0 ? pin.pads : [pin.pad] }))
    .sort((a, b) => a.melt_s - b.melt_s);
  const tiers: { melt_s: number; pads: string[] }[] = [];
  for (const { melt_s, pads } of sorted) {
    const last = tiers.at(-1);
    if (last && (melt_s === last.melt_s || melt_s <= last.melt_s * (1 + ALIKE))) last.pads.push(...pads);
    else tiers.push({ melt_s, pads: [...pads] });
  }
  return tiers;
}

/** Each pad's place in the melt order; empty where all melt together. */
export function meltRanks(pins: readonly PinAnswer[]): ReadonlyMap<string, MeltRank> {
  const tiers = tiersOf(pins);
  if (tiers.length < 2) return new Map();
  return new Map(
    tiers.flatMap(({ pads }, i) => pads.map((pad) => [pad, { rank: i + 1, of: tiers.length }] as const)),
  );
}

/** The order in a sentence; null while there is nothing to say. */
export function meltOrderInWords(pins: readonly PinAnswer[]): string | null {
  const tiers = tiersOf(pins);
  const [first, last] = [tiers[0], tiers.at(-1)];
  if (!first || !last) return null;
  if (first === last) return first.pads.length > 1 ? 'All melt together.' : null;
  const when =
    last.melt_s === Infinity
      ? 'never within the dwell'
      : `${(last.melt_s - first.melt_s).toFixed(1)} s later at the median`;
  return `Melts first: ${lower(padsWords(first.pads))}. Last: ${lower(padsWords(last.pads))}, ${when}.`;
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
