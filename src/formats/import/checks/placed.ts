import { AS_WRITTEN, laid, type Reading } from '~/formats/reading';
import type { Box, Evidence, Mark } from './evidence';

/** How things are laid anew: turned over about x = 0, then moved, m. */
export type Lay = Pick<Reading, 'mirrored' | 'moved_m'>;

/** Evidence as it lies after all else was read: what a reading's turn and shift do. */
export function placed(evidence: Evidence, lay: Lay): Evidence {
  const reading: Reading = { ...AS_WRITTEN, ...lay };
  const mark = <M extends Mark>(m: M): M => {
    const [x_m, y_m] = laid(reading, m.x_m, m.y_m);
    return { ...m, x_m, y_m };
  };
  const box = (b: Box | null): Box | null => {
    if (!b) return null;
    const [x0, y0] = laid(reading, b.x0, b.y0);
    const [x1, y1] = laid(reading, b.x1, b.y1);
    return { x0: Math.min(x0, x1), x1: Math.max(x0, x1), y0, y1 };
  };
  switch (evidence.kind) {
    case 'netlist':
      return {
        ...evidence,
        marks: evidence.marks.map(mark),
        parts: new Map([...evidence.parts].map(([ref, b]) => [ref, box(b)!])),
      };
    case 'copper':
      return { ...evidence, marks: evidence.marks.map(mark), box: box(evidence.box) };
    case 'edge':
      return { ...evidence, box: box(evidence.box) };
    case 'drill':
      return { ...evidence, marks: evidence.marks.map(mark) };
    case 'list':
      return {
        ...evidence,
        places: new Map([...evidence.places].map(([ref, [x, y]]) => [ref, laid(reading, x, y)])),
      };
  }
}

/** Where one file's things stand, to be laid over another's. */
const placesOf = (evidence: Evidence): readonly { readonly x_m: number; readonly y_m: number }[] => {
  switch (evidence.kind) {
    case 'netlist':
    case 'copper':
    case 'drill':
      return evidence.marks;
    case 'list':
      return [...evidence.places.values()].map(([x_m, y_m]) => ({ x_m, y_m }));
    case 'edge':
      return [];
  }
};

const VOTE_m = 0.25e-3;
/** So many of the one are held against so many of the other. */
const VOTERS = 400;
const VOTED = 2500;
/** Of the voters so many have to agree. */
const AGREED_SHARE = 0.4;

/**
 * The shift that lays the things of one file over those of another: the commonest difference between any two of them, in a coarse
 * grid, then the mean about it. Null where nothing is common enough.
 */
export function shiftBetween(a: Evidence, b: Evidence): readonly [dx_m: number, dy_m: number] | null {
  if (a.kind === 'list' && b.kind === 'netlist') return middleShift(a, b);
  const edge = b.kind === 'edge' ? b.box : null;
  if (edge) return ontoEdge(placesOf(a), edge);
  const from = thinned(placesOf(a), VOTERS);
  const to = thinned(placesOf(b), VOTED);
  if (from.length < 4 || to.length < 4) return null;
  const votes = new Map<string, { count: number; dx: number; dy: number }>();
  for (const p of from) {
    for (const q of to) {
      const [dx, dy] = [q.x_m - p.x_m, q.y_m - p.y_m];
      const key = `${Math.round(dx / VOTE_m)} ${Math.round(dy / VOTE_m)}`;
      const vote = votes.get(key);
      if (vote) {
        vote.count++;
        vote.dx += dx;
        vote.dy += dy;
      } else votes.set(key, { count: 1, dx, dy });
    }
  }
  let best: { count: number; dx: number; dy: number } | null = null;
  for (const vote of votes.values()) if (!best || vote.count > best.count) best = vote;
  if (!best || best.count < AGREED_SHARE * Math.min(from.length, to.length)) return null;
  return [best.dx / best.count, best.dy / best.count];
}

function thinned<T>(all: readonly T[], most: number): readonly T[] {
  const step = Math.ceil(all.length / most);
  return step <= 1 ? all : all.filter((_, i) => i % step === 0);
}

/** A list and a netlist name the same parts: the middle difference of them. */
function middleShift(
  list: Extract<Evidence, { kind: 'list' }>,
  netlist: Extract<Evidence, { kind: 'netlist' }>,
): readonly [number, number] | null {
  const differences = [...list.places].flatMap(([ref, [x, y]]) => {
    const box = netlist.parts.get(ref);
    return box ? [[(box.x0 + box.x1) / 2 - x, (box.y0 + box.y1) / 2 - y] as const] : [];
  });
  if (differences.length < 3) return null;
  const middle = (of: 0 | 1): number => {
    const sorted = differences.map((d) => d[of]).sort((p, q) => p - q);
    return sorted[Math.floor(sorted.length / 2)]!;
  };
  return [middle(0), middle(1)];
}

/** Middle over middle, where what is moved has room within. */
function ontoEdge(
  places: readonly { readonly x_m: number; readonly y_m: number }[],
  edge: Box,
): readonly [number, number] | null {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { x_m, y_m } of places) {
    [x0, x1] = [Math.min(x0, x_m), Math.max(x1, x_m)];
    [y0, y1] = [Math.min(y0, y_m), Math.max(y1, y_m)];
  }
  if (x0 > x1 || x1 - x0 > 1.02 * (edge.x1 - edge.x0) || y1 - y0 > 1.02 * (edge.y1 - edge.y0)) return null;
  return [(edge.x0 + edge.x1 - x0 - x1) / 2, (edge.y0 + edge.y1 - y0 - y1) / 2];
}
