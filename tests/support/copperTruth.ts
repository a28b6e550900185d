import { away, labelsAbout, type Label, type Layout, type Pad } from './pouredBoard';

/** How a pad is truly joined on a layout, asked of its labelled shapes on a fine raster of their own. */
export type Truth =
  | { readonly kind: 'isolated' }
  | { readonly kind: 'track'; readonly widths: readonly number[] }
  /** `drawn` is null where a pour runs up to part of a land: its necks are nobody's spokes. */
  | {
      readonly kind: 'thermal-relief';
      readonly drawn: { readonly spokes: number; readonly width: number; readonly length: number } | null;
    }
  | { readonly kind: 'solid-plane' };

const STEP = 0.04;

/**
 * A pour that stands at more than three fifths of a land's edge is solid on it; at less, the land hangs by necks. A spoke
 * counts where it still leads from its land to its pour, after other nets have cleared what they need.
 */
export function truthOf(layout: Layout, pad: Pad): Truth {
  const reach = Math.hypot(pad.shape.a, pad.shape.b) + 1.2;
  const labels = labelsAbout(layout, pad.shape.x, pad.shape.y, reach, STEP);
  const n = Math.sqrt(labels.length);
  const at = (i: number): number => (i + 0.5 - n / 2) * STEP;

  const beside = (cell: number): number[] =>
    [cell - 1, cell + 1, cell - n, cell + n].filter((c) => c >= 0 && c < n * n);
  const mine = (label: Label | undefined): boolean => label?.kind === 'land' && label.of === pad.index;
  let edge = 0;
  let pour = 0;
  labels.forEach((label, cell) => {
    if (!mine(label)) return;
    if (mine(labels[cell - 1]) && mine(labels[cell + 1]) && mine(labels[cell - n]) && mine(labels[cell + n]))
      return;
    for (const next of beside(cell)) {
      if (mine(labels[next])) continue;
      edge++;
      const kind = labels[next]?.kind;
      if (kind === 'pour' || (kind === 'island' && labels[next]?.of === pad.index)) pour++;
    }
  });
  if (pour > 0.6 * edge) return { kind: 'solid-plane' };

  const bridges: number[] = [];
  const spokes = layout.spokes.filter((spoke) => {
    if (spoke.of !== pad.index) return false;
    const its = new Set<number>();
    labels.forEach((label, cell) => {
      if (label?.kind !== 'spoke' && label?.kind !== 'pour' && !mine(label)) return;
      const [px, py] = [pad.shape.x + at(cell % n), pad.shape.y + at(Math.floor(cell / n))];
      const { x, y, a, b } = spoke.shape;
      if (Math.abs(px - x) < a + b && Math.abs(py - y) < a + b && away(spoke.shape, px, py) < 0)
        its.add(cell);
    });
    const queue = [...its].filter((cell) => mine(labels[cell]));
    const seen = new Set(queue);
    for (let cell = queue.pop(); cell !== undefined; cell = queue.pop()) {
      for (const next of beside(cell)) {
        const label = labels[next];
        if (label?.kind === 'pour') return true;
        if (label?.kind === 'land' && label.of !== pad.index) bridges.push(spoke.width);
        if (!its.has(next) || seen.has(next)) continue;
        seen.add(next);
        queue.push(next);
      }
    }
    return false;
  });
  if (spokes.length > 0) {
    return {
      kind: 'thermal-relief',
      drawn: {
        spokes: spokes.length,
        width: spokes[0]!.width,
        length: layout.gapOf.get(pad.index)!,
      },
    };
  }
  const tracks = layout.tracks.filter((t) => t.of === pad.index);
  if (tracks.length > 0) return { kind: 'track', widths: tracks.map((t) => t.width) };
  if (bridges.length > 0) return { kind: 'track', widths: bridges.slice(0, 1) };
  return pour > 0 ? { kind: 'thermal-relief', drawn: null } : { kind: 'isolated' };
}

/** Of the layer within `reach` of a pad, less `about` round it: what the pad's own copper covers, all in mm. */
export function shareOf(layout: Layout, pad: Pad, reach: number, about: number): number {
  const step = 2 * STEP;
  const labels = labelsAbout(layout, pad.shape.x, pad.shape.y, reach, step);
  const n = Math.sqrt(labels.length);
  const middle = Math.floor(n / 2) * n + Math.floor(n / 2);
  const seen = new Set([middle]);
  const queue = [middle];
  for (let cell = queue.pop(); cell !== undefined; cell = queue.pop()) {
    for (const next of [cell - 1, cell + 1, cell - n, cell + n]) {
      if (next < 0 || next >= n * n || labels[next] === null || seen.has(next)) continue;
      if (Math.abs((next % n) - (cell % n)) > 1) continue;
      seen.add(next);
      queue.push(next);
    }
  }
  let got = 0;
  let all = 0;
  for (let cell = 0; cell < n * n; cell++) {
    const [u, v] = [((cell % n) + 0.5 - n / 2) * step, (Math.floor(cell / n) + 0.5 - n / 2) * step];
    const r = Math.hypot(u, v);
    if (r < Math.min(pad.shape.a, pad.shape.b) + about || r > reach) continue;
    const [x, y] = [pad.shape.x + u, pad.shape.y + v];
    if (x < 0 || y < 0 || x > layout.side || y > layout.side) continue;
    all++;
    if (seen.has(cell)) got++;
  }
  return got / all;
}
