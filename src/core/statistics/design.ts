/** What was counted of one job, or of whatever else hangs together, with the share that was usual for it. */
export interface Expected {
  readonly bad: number;
  readonly of: number;
  readonly usual: number;
  /** Groups of one spell share whatever was better or worse just then. */
  readonly spell: string;
}

/**
 * By how many times counts vary more between groups than chance would have it, as pads of one job go wrong together (Rao and
 * Scott, Biometrics 48, 1992). Each group is held against what its own spell came to, so that a bad month is no sign of
 * pads that hang together. Never under 1.
 */
export function designOf(groups: readonly Expected[]): number {
  const spells = new Map<string, { bad: number; of: number; expected: number; many: number }>();
  for (const { bad, of, usual, spell } of groups) {
    if (of === 0) continue;
    const sum = spells.get(spell) ?? { bad: 0, of: 0, expected: 0, many: 0 };
    spells.set(spell, sum);
    sum.bad += bad;
    sum.of += of;
    sum.expected += of * usual;
    sum.many++;
  }
  let [spread, chance] = [0, 0];
  for (const { bad, of, usual, spell } of groups) {
    const all = spells.get(spell);
    // One group alone in its spell, or a spell in which nothing went wrong, tells nothing.
    if (of === 0 || !all || all.many < 2 || all.bad === 0 || all.expected === 0) continue;
    const share = Math.min(MOST_SHARE, (usual * all.bad) / all.expected);
    // The spell's own share took one group's freedom from the one, and one result's from the other.
    spread += (bad - share * of) ** 2 / (1 - 1 / all.many);
    chance += (share * (1 - share) * of) / (1 - 1 / all.of);
  }
  return chance > 0 ? Math.max(1, spread / chance) : 1;
}
const MOST_SHARE = 1 - 1e-6;
