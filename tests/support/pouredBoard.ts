import { uniformStream } from '~/core/statistics/random';

/**
 * A copper layer laid out by its own rules, and what is truly connected on it: parts in rows, tracks, a ground pour with
 * clearances, reliefs and solid lands, small pours of other nets. Every figure here is invented. Nothing of the program's
 * own painting or reading is used: a place is asked of the shapes themselves.
 */

export interface Shape {
  readonly x: number;
  readonly y: number;
  /** Half sides, mm, before the turn; `round` ends them by half circles. */
  readonly a: number;
  readonly b: number;
  readonly turn: number;
  readonly round: boolean;
}

export interface Pad {
  readonly index: number;
  readonly net: string;
  readonly shape: Shape;
  readonly hole: number | null;
}

interface Stroke {
  readonly net: string;
  readonly of: number;
  readonly shape: Shape;
  readonly width: number;
}

export interface Layout {
  readonly side: number;
  readonly pads: readonly Pad[];
  readonly tracks: readonly Stroke[];
  readonly vias: readonly { readonly net: string; readonly shape: Shape }[];
  readonly spokes: readonly Stroke[];
  /** Lands that the ground pour runs up to. */
  readonly solid: ReadonlySet<number>;
  readonly gapOf: ReadonlyMap<number, number>;
  readonly clearance: number;
  readonly edge: number;
  /** Pours of other nets, each over one land. */
  readonly islands: readonly { readonly of: number; readonly net: string; readonly shape: Shape }[];
}

/** Distance to a shape's edge, mm, inside below zero. */
export function away({ x, y, a, b, turn, round }: Shape, px: number, py: number): number {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [u, v] = [Math.abs((px - x) * c + (py - y) * s), Math.abs((py - y) * c - (px - x) * s)];
  const r = round ? Math.min(a, b) : 0;
  const [p, q] = [u - (a - r), v - (b - r)];
  return Math.hypot(Math.max(0, p), Math.max(0, q)) + Math.min(0, Math.max(p, q)) - r;
}

const bar = (x0: number, y0: number, x1: number, y1: number, width: number): Shape => ({
  x: (x0 + x1) / 2,
  y: (y0 + y1) / 2,
  a: Math.hypot(x1 - x0, y1 - y0) / 2 + width / 2,
  b: width / 2,
  turn: Math.atan2(y1 - y0, x1 - x0),
  round: true,
});

/** Footprints as pads about a middle: across, up, half sides, drill, round. */
type Spot = readonly [x: number, y: number, a: number, b: number, hole: number | null, round: boolean];
const row = (n: number, pitch: number, make: (at: number, i: number) => Spot): Spot[] =>
  Array.from({ length: n }, (_, i) => make((i - (n - 1) / 2) * pitch, i));

const FOOTPRINTS: readonly (() => readonly Spot[])[] = [
  () => row(6, 2.54, (at, i) => [at, 0, 0.85, 0.85, 1, i > 0]),
  () =>
    [-1, 1].flatMap((up) => row(7, 2.54, (at, i): Spot => [at, up * 3.81, 0.8, 0.8, 0.8, up > 0 || i > 0])),
  () => [-1, 1].flatMap((up) => row(4, 1.27, (at): Spot => [at, up * 2.7, 0.3, 0.75, null, false])),
  () => [-1, 1].flatMap((up) => row(12, 0.5, (at): Spot => [at, up * 4.2, 0.15, 0.75, null, false])),
  () => row(2, 1, (at): Spot => [at, 0, 0.3, 0.31, null, false]),
  () => row(2, 1.6, (at): Spot => [at, 0, 0.4, 0.45, null, false]),
  () => row(2, 1.9, (at): Spot => [at, 0, 0.5, 0.65, null, false]),
  () => [
    [-0.95, -1, 0.3, 0.5, null, false],
    [0.95, -1, 0.3, 0.5, null, false],
    [0, 1, 0.3, 0.5, null, false],
  ],
  () => [
    [0, 0, 2.9, 3.1, null, false],
    [-2.3, -5.4, 0.6, 1, null, false],
    [2.3, -5.4, 0.6, 1, null, false],
  ],
  () => row(2, 5, (at, i) => [at, 0, 1.1, 1.1, 1.2, i > 0]),
];

export function layOut(seed: number): Layout {
  const random = uniformStream(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const side = 60;
  const clearance = pick([0.15, 0.2, 0.25, 0.3]);
  const pads: Pad[] = [];
  for (let tries = 0; tries < 400 && pads.length < 130; tries++) {
    const spots = pick(FOOTPRINTS)();
    const turn = (pick([0, 1, 2, 3, 0.5, 1.5]) * Math.PI) / 2;
    const [x, y] = [5 + 50 * random(), 5 + 50 * random()];
    const placed = spots.map(([u, v, a, b, hole, round]): Shape & { hole: number | null } => ({
      x: x + u * Math.cos(turn) - v * Math.sin(turn),
      y: y + u * Math.sin(turn) + v * Math.cos(turn),
      a,
      b,
      turn,
      round,
      hole,
    }));
    const free = placed.every(
      (p) =>
        p.x > 4 &&
        p.y > 4 &&
        p.x < side - 4 &&
        p.y < side - 4 &&
        pads.every(
          (q) => Math.hypot(p.x - q.shape.x, p.y - q.shape.y) > 1.2 + p.a + p.b + q.shape.a + q.shape.b,
        ),
    );
    if (!free) continue;
    for (const { hole, ...shape } of placed) {
      const index = pads.length;
      pads.push({ index, shape, hole, net: random() < 0.35 ? 'ground' : `n${index}` });
    }
  }

  const tracks: Stroke[] = [];
  const vias: { net: string; shape: Shape }[] = [];
  const islands: { of: number; net: string; shape: Shape }[] = [];
  const clear = (shape: Shape, net: string): boolean =>
    samples(shape).every(
      ([px, py]) =>
        px > 1.5 &&
        py > 1.5 &&
        px < side - 1.5 &&
        py < side - 1.5 &&
        [...pads, ...tracks, ...vias, ...islands].every(
          (o) => o.net === net || away(o.shape, px, py) > shape.b + clearance,
        ),
    );
  for (const pad of pads.filter((p) => p.net !== 'ground')) {
    const { shape } = pad;
    if (random() < 0.07) {
      const grown: Shape = {
        ...shape,
        a: shape.a + 1.5 + 2 * random(),
        b: shape.b + 1.5 + 2 * random(),
        round: false,
      };
      if (clearOf(grown)) {
        islands.push({ of: pad.index, net: pad.net, shape: grown });
        continue;
      }
    }
    const wanted = random() < 0.15 ? 0 : random() < 0.2 ? 2 : 1;
    for (let made = 0, tries = 0; made < wanted && tries < 40; tries++) {
      const least = Math.min(shape.a, shape.b);
      const width = Math.min(2 * least, pick([0.15, 0.2, 0.25, 0.3, 0.5, 0.8, 1.5]));
      const off = (random() - 0.5) * Math.max(0, 2 * least - width);
      const [c, s] = [Math.cos(shape.turn), Math.sin(shape.turn)];
      const [x0, y0] = [shape.x + off * c, shape.y + off * s];
      const angle = shape.turn + (pick([0, 1, 2, 3, 4, 5, 6, 7]) * Math.PI) / 4;
      const length = Math.max(shape.a, shape.b) + 1.2 + 4 * random();
      const [x1, y1] = [x0 + length * Math.cos(angle), y0 + length * Math.sin(angle)];
      const along = bar(x0, y0, x1, y1, width);
      if (!clear(along, pad.net)) continue;
      if (tracks.some((t) => t.of === pad.index && turnBetween(t.shape.turn, along.turn) < 0.6)) continue;
      tracks.push({ net: pad.net, of: pad.index, shape: along, width });
      const via: Shape = { x: x1, y: y1, a: 0.3, b: 0.3, turn: 0, round: true };
      if (random() < 0.6 && clear(via, pad.net)) vias.push({ net: pad.net, shape: via });
      made++;
    }
  }

  /** An island keeps off everything that is not its own land. */
  function clearOf(shape: Shape): boolean {
    const fence = { ...shape, a: shape.a + 0.6, b: shape.b + 0.6 };
    return [...pads, ...tracks, ...islands].every(
      (o) =>
        ('of' in o ? false : o.shape === shape) ||
        samples(o.shape).every(([px, py]) => away(fence, px, py) > o.shape.b) ||
        (o.shape.x === shape.x && o.shape.y === shape.y),
    );
  }

  const spokes: Stroke[] = [];
  const solid = new Set<number>();
  const gapOf = new Map<number, number>();
  for (const pad of pads.filter((p) => p.net === 'ground')) {
    const roll = random();
    if (roll < 0.3) {
      solid.add(pad.index);
      continue;
    }
    const gap = pick([0.2, 0.25, 0.3, 0.4, 0.5]);
    gapOf.set(pad.index, gap);
    const { shape } = pad;
    const least = Math.min(shape.a, shape.b);
    const width = Math.min(1.2 * least, pick([0.2, 0.25, 0.3, 0.4, 0.5]));
    const first = pad.shape.round && random() < 0.4 ? Math.PI / 4 : 0;
    const count = random() < 0.25 ? 2 : 4;
    for (let i = 0; i < count; i++) {
      const angle = shape.turn + first + (i * 2 * Math.PI) / count;
      const across = Math.abs(Math.cos(angle - shape.turn));
      const out = shape.round ? shape.a : across > 0.7 ? shape.a : shape.b;
      const length = out + gap + 0.15;
      const shapeOf = bar(
        shape.x, shape.y, shape.x + length * Math.cos(angle), shape.y + length * Math.sin(angle), width,
      ); // prettier-ignore
      spokes.push({ net: 'ground', of: pad.index, shape: shapeOf, width });
    }
  }
  return { side, pads, tracks, vias, spokes, solid, gapOf, clearance, edge: 1, islands };
}

const turnBetween = (a: number, b: number): number => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));

/** Places along a shape's middle line. */
function samples({ x, y, a, b, turn }: Shape): [number, number][] {
  const half = Math.max(a, b) - Math.min(a, b);
  const along = a >= b ? turn : turn + Math.PI / 2;
  const n = Math.max(1, Math.ceil(half / 0.1));
  return Array.from({ length: 2 * n + 1 }, (_, i) => {
    const t = ((i - n) / n) * half;
    return [x + t * Math.cos(along), y + t * Math.sin(along)];
  });
}

/** What lies at a place, as the layout has it; null is bare laminate. */
export type Label = {
  readonly kind: 'land' | 'track' | 'via' | 'pour' | 'island' | 'spoke';
  readonly of: number;
} | null;

/** What lies on a square about a place, cell by cell: shapes laid in the order that the layout means. */
export function labelsAbout(l: Layout, x: number, y: number, reach: number, step: number): Label[] {
  const n = Math.ceil((2 * reach) / step);
  const at = (i: number): number => (i + 0.5 - n / 2) * step;
  const labels = new Array<Label>(n * n).fill(null);
  const lay = (shape: Shape, grow: number, label: Label): void => {
    const far = Math.hypot(shape.a, shape.b) + grow;
    const span = (middle: number): [number, number] => [
      Math.max(0, Math.floor((middle - far) / step + n / 2)),
      Math.min(n, Math.ceil((middle + far) / step + n / 2)),
    ];
    const [[i0, i1], [j0, j1]] = [span(shape.x - x), span(shape.y - y)];
    for (let j = j0; j < j1; j++)
      for (let i = i0; i < i1; i++) if (away(shape, x + at(i), y + at(j)) < grow) labels[j * n + i] = label;
  };
  const half = (l.side - 2 * l.edge) / 2;
  lay({ x: l.side / 2, y: l.side / 2, a: half, b: half, turn: 0, round: false }, 0, { kind: 'pour', of: -1 });
  for (const pad of l.pads) {
    const gap = l.gapOf.get(pad.index);
    if (gap !== undefined) lay(pad.shape, gap, null);
  }
  for (const spoke of l.spokes) lay(spoke.shape, 0, { kind: 'spoke', of: spoke.of });
  for (const { shape } of foreignOf(l)) lay(shape, l.clearance, null);
  for (const island of l.islands) lay(island.shape, 0, { kind: 'island', of: island.of });
  for (const via of l.vias) lay(via.shape, 0, { kind: 'via', of: -1 });
  for (const track of l.tracks) lay(track.shape, 0, { kind: 'track', of: track.of });
  for (const pad of l.pads) lay(pad.shape, 0, { kind: 'land', of: pad.index });
  return labels;
}

/** All that the ground pour keeps its clearance from. */
const foreignOf = (l: Layout): readonly { readonly shape: Shape }[] => [
  ...l.pads.filter((p) => p.net !== 'ground'),
  ...l.tracks,
  ...l.vias,
  ...l.islands,
];

/** The layer as artwork: regions drawn dark and clear in the order that the layout means. */
export function artworkOf(l: Layout): string {
  const dark: string[] = [];
  const draw = (shape: Shape, grow = 0): void => void dark.push(region(outline(shape, grow)));
  const half = (l.side - 2 * l.edge) / 2;
  draw({ x: l.side / 2, y: l.side / 2, a: half, b: half, turn: 0, round: false });
  dark.push('%LPC*%');
  for (const pad of l.pads) {
    const gap = l.gapOf.get(pad.index);
    if (gap !== undefined) draw(pad.shape, gap);
  }
  dark.push('%LPD*%');
  for (const spoke of l.spokes) draw(spoke.shape);
  dark.push('%LPC*%');
  for (const { shape } of foreignOf(l)) draw(shape, l.clearance);
  dark.push('%LPD*%');
  for (const { shape } of [...l.islands, ...l.tracks, ...l.vias, ...l.pads]) draw(shape);
  return ['%FSLAX46Y46*%', '%MOMM*%', 'G01*', '%LPD*%', ...dark, 'M02*', ''].join('\n');
}

const region = (points: readonly (readonly [number, number])[]): string => {
  const at = ([x, y]: readonly [number, number]): string => `X${Math.round(1e6 * x)}Y${Math.round(1e6 * y)}`;
  return ['G36*', `${at(points[0]!)}D02*`, ...points.map((p) => `${at(p)}D01*`), 'G37*'].join('\n');
};

/** A shape's edge, moved out by `grow`, its corners rounded by it. */
function outline({ x, y, a, b, turn, round }: Shape, grow: number): [number, number][] {
  const r = (round ? Math.min(a, b) : 0) + grow;
  const inner = round ? Math.min(a, b) : 0;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return [0, 1, 2, 3].flatMap((corner) => {
    const [u, v] = [corner === 0 || corner === 3 ? a - inner : inner - a, corner < 2 ? b - inner : inner - b];
    return Array.from({ length: 13 }, (_, i): [number, number] => {
      const angle = ((corner + i / 12) * Math.PI) / 2;
      const [p, q] = [u + r * Math.cos(angle), v + r * Math.sin(angle)];
      return [x + p * c - q * s, y + p * s + q * c];
    });
  });
}
