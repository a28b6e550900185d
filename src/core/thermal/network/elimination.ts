/** What an elimination needs to know of a network: who is linked to whom. */
export interface Links {
  readonly size: number;
  readonly edges: readonly { readonly from: number; readonly to: number }[];
  /** Nodes before this one, the head, are eliminated first. */
  readonly split: number;
}

/**
 * Order of elimination and every place its fill touches, found once for all matrices of one shape.
 * Column p holds the entries below pivot p: `row[a]` for `a` from `columnAt[p]` to `columnAt[p + 1]`.
 */
export interface Elimination {
  readonly size: number;
  readonly split: number;
  /** Node eliminated at each pivot, and the pivot of each node. */
  readonly node: Int32Array;
  readonly pivot: Int32Array;
  readonly columnAt: Int32Array;
  readonly row: Int32Array;
  /** The same entries by node instead of pivot. */
  readonly rowNode: Int32Array;
  /**
   * Places that pivot p's updates fall on, one after another from `updateAt[p]`: for each entry `a` of
   * its column from the last to the first, those of (a, b) for every b up to a; a diagonal's place is its
   * pivot, an entry's is `size` and its index.
   */
  readonly updateAt: Int32Array;
  readonly update: Int32Array;
  /** Place of each edge's entry. */
  readonly edgeAt: Int32Array;
}

/**
 * Symbolic factoring by minimum degree, head before tail.
 * Source: George & Liu, "The evolution of the minimum degree ordering algorithm", SIAM Review 31 (1989).
 */
export function eliminationOf({ size, edges, split }: Links): Elimination {
  const around = Array.from({ length: size }, () => new Set<number>());
  for (const { from, to } of edges) {
    around[from]!.add(to);
    around[to]!.add(from);
  }
  const node = new Int32Array(size);
  const pivot = new Int32Array(size).fill(-1);
  const columns: number[][] = [];
  for (let p = 0; p < size; p++) {
    const best = fewestLinks(around, pivot, p < split ? 0 : split, p < split ? split : size);
    const met = [...around[best]!];
    for (const a of met) {
      around[a]!.delete(best);
      for (const b of met) if (a !== b) around[a]!.add(b);
    }
    node[p] = best;
    pivot[best] = p;
    columns.push(met);
  }
  return placesOf({ size, edges, split }, node, pivot, columns);
}

function fewestLinks(
  around: readonly ReadonlySet<number>[],
  pivot: Int32Array,
  from: number,
  to: number,
): number {
  let best = -1;
  for (let i = from; i < to; i++) {
    if (pivot[i]! < 0 && (best < 0 || around[i]!.size < around[best]!.size)) best = i;
  }
  return best;
}

function placesOf(
  { size, edges, split }: Links,
  node: Int32Array,
  pivot: Int32Array,
  columns: readonly (readonly number[])[],
): Elimination {
  const columnAt = new Int32Array(size + 1);
  const row: number[] = [];
  const placeOf = new Map<number, number>();
  columns.forEach((met, p) => {
    const pivots = met.map((n) => pivot[n]!).sort((a, b) => a - b);
    for (const q of pivots) {
      placeOf.set(p * size + q, size + row.length);
      row.push(q);
    }
    columnAt[p + 1] = row.length;
  });
  const place = (p: number, q: number): number =>
    p === q ? p : placeOf.get(Math.min(p, q) * size + Math.max(p, q))!;

  const updateAt = new Int32Array(size + 1);
  const update: number[] = [];
  for (let p = 0; p < size; p++) {
    for (let a = columnAt[p + 1]! - 1; a >= columnAt[p]!; a--) {
      for (let b = columnAt[p]!; b <= a; b++) update.push(place(row[a]!, row[b]!));
    }
    updateAt[p + 1] = update.length;
  }
  return {
    size,
    split,
    node,
    pivot,
    columnAt,
    row: Int32Array.from(row),
    rowNode: Int32Array.from(row, (p) => node[p]!),
    updateAt,
    update: Int32Array.from(update),
    edgeAt: Int32Array.from(edges, ({ from, to }) => place(pivot[from]!, pivot[to]!)),
  };
}
