/** Factors by name, each with its levels. */
export type Factors = Readonly<Record<string, readonly unknown[]>>;

/** A row chooses a level of every factor, by index. */
export type Row = Readonly<Record<string, number>>;

/**
 * Rows in which every pair of levels of any two factors meets at least once: the greedy way of one row at a time (Cohen,
 * Dalal, Fredman & Patton 1997, the method alone). Always the same for the same factors.
 */
export function coveringRows(factors: Factors): Row[] {
  const names = Object.keys(factors);
  const open = new Set<string>();
  names.forEach((a, i) =>
    names.slice(i + 1).forEach((b) => {
      for (let x = 0; x < factors[a]!.length; x++)
        for (let y = 0; y < factors[b]!.length; y++) open.add(pair(a, x, b, y));
    }),
  );
  const rows: Row[] = [];
  while (open.size > 0) {
    const [first] = open;
    const [[a, x], [b, y]] = JSON.parse(first!) as [[string, number], [string, number]];
    const row: Record<string, number> = { [a]: x, [b]: y };
    for (const name of names) {
      if (name in row) continue;
      const fresh = (level: number): number =>
        Object.entries(row).filter(([other, at]) => open.has(ordered(names, name, level, other, at))).length;
      // Levels that win alike take turns, so that no one of them is met far more often.
      const count = factors[name]!.length;
      const levels = Array.from({ length: count }, (_, i) => (i + rows.length) % count);
      row[name] = levels.reduce((best, level) => (fresh(level) > fresh(best) ? level : best));
    }
    names.forEach((a, i) => names.slice(i + 1).forEach((b) => open.delete(pair(a, row[a]!, b, row[b]!))));
    rows.push(row);
  }
  return rows;
}

const pair = (a: string, x: number, b: string, y: number): string =>
  JSON.stringify([
    [a, x],
    [b, y],
  ]);

const ordered = (names: readonly string[], a: string, x: number, b: string, y: number): string =>
  names.indexOf(a) < names.indexOf(b) ? pair(a, x, b, y) : pair(b, y, a, x);
