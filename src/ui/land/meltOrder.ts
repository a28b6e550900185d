import { padsWords } from './padsWords';

/** Medians closer than this share of the earlier one are not told apart. */
const ALIKE = 0.05;

export interface MeltRank {
  /** 1 melts first. */
  readonly rank: number;
  readonly of: number;
}

/** When pads under one heat are molten through; null: never. */
export interface Melt {
  readonly pads: readonly string[];
  readonly melt_s: number | null;
}

interface Tier {
  readonly melt_s: number;
  readonly pads: readonly string[];
}

/** Pads in the order in which they melt; those that the estimate cannot tell apart stand together. */
function tiersOf(melts: readonly Melt[]): Tier[] {
  const sorted = melts
    .map(({ pads, melt_s }) => ({ pads, melt_s: melt_s ?? Infinity }))
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
export function meltRanks(melts: readonly Melt[]): ReadonlyMap<string, MeltRank> {
  const tiers = tiersOf(melts);
  if (tiers.length < 2) return new Map();
  return new Map(
    tiers.flatMap(({ pads }, i) => pads.map((pad) => [pad, { rank: i + 1, of: tiers.length }] as const)),
  );
}

/** The order in a sentence; null while there is nothing to say. */
export function meltOrderInWords(melts: readonly Melt[]): string | null {
  const tiers = tiersOf(melts);
  const [first, last] = [tiers[0], tiers.at(-1)];
  if (!first || !last) return null;
  if (first.melt_s === Infinity) return 'None is molten through within the dwell at the median.';
  if (first === last) return first.pads.length > 1 ? 'All melt together.' : null;
  const when =
    last.melt_s === Infinity
      ? 'never within the dwell'
      : `${(last.melt_s - first.melt_s).toFixed(1)} s later at the median`;
  return `Melts first: ${lower(padsWords(first.pads))}. Last: ${lower(padsWords(last.pads))}, ${when}.`;
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
