/** A reference that would like to be written on a face. */
export interface LabelWish {
  readonly id: string;
  readonly text: string;
  /** Where the middle of its foot may stand, the best first, in the drawing's own units; y counts downward. */
  readonly feet: readonly Point[];
  /** The more, the earlier it is written. */
  readonly weight: number;
}

export type Point = readonly [x: number, y: number];

/** What a reference should rather not cover: its middle, and how far it reaches from there each way. */
export interface Obstacle {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly half: Point;
}

/** A monospaced letter is this share of its size wide; a line takes so much of it in height. */
const LETTER_WIDTH = 0.62;
const LINE_HEIGHT = 0.95;

/**
 * Where a part's reference may stand about it: above, below, to its right, to its left.
 * `half`: how far the part reaches from its middle; `size`: of the letters.
 */
export function feetAbout([x, y]: Point, half: Point, text: string, size: number): Point[] {
  const gap = size * 0.4;
  const aside = half[0] + gap + labelWidth(text, size) / 2;
  return [
    [x, y - half[1] - gap],
    [x, y + half[1] + gap + LINE_HEIGHT * size],
    [x + aside, y + size * 0.35],
    [x - aside, y + size * 0.35],
  ];
}

/**
 * The references that find room, and where the foot of each stands: the weightiest first, each where no other lies yet and
 * rather not over another part. Those left out are still found by their part, the list and the search.
 */
export function labelsWithRoom(
  wishes: readonly LabelWish[],
  size: number,
  obstacles: readonly Obstacle[] = [],
): ReadonlyMap<string, Point> {
  const written = new Map<string, Point>();
  const labels = new Filed<Box>(6 * size);
  const parts = new Filed<Box & { readonly id: string }>(6 * size);
  for (const { id, x, y, half } of obstacles)
    parts.add({ id, x0: x - half[0], x1: x + half[0], y0: y - half[1], y1: y + half[1] });
  for (const { id, text, feet } of [...wishes].sort((a, b) => b.weight - a.weight)) {
    const free = feet
      .map((foot) => ({ foot, box: boxOf(foot, text, size) }))
      .filter(({ box }) => !labels.near(box).some((other) => overlap(box, other)));
    const clear = free.find(
      ({ box }) => !parts.near(box).some((other) => other.id !== id && overlap(box, other)),
    );
    const taken = clear ?? free[0];
    if (!taken) continue;
    written.set(id, taken.foot);
    labels.add(taken.box);
  }
  return written;
}

const labelWidth = (text: string, size: number): number => text.length * LETTER_WIDTH * size;

function boxOf([x, y]: Point, text: string, size: number): Box {
  const half = labelWidth(text, size) / 2;
  return { x0: x - half, x1: x + half, y0: y - LINE_HEIGHT * size, y1: y };
}

/** Boxes filed by the cells that they touch, so that only near ones are compared. */
class Filed<B extends Box> {
  readonly #cells = new Map<string, B[]>();

  constructor(readonly cell: number) {}

  add(box: B): void {
    for (const key of keysOf(box, this.cell)) {
      const there = this.#cells.get(key);
      if (there) there.push(box);
      else this.#cells.set(key, [box]);
    }
  }

  near(box: Box): B[] {
    return keysOf(box, this.cell).flatMap((key) => this.#cells.get(key) ?? []);
  }
}

interface Box {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

function keysOf({ x0, x1, y0, y1 }: Box, cell: number): string[] {
  const keys: string[] = [];
  for (let i = Math.floor(x0 / cell); i <= Math.floor(x1 / cell); i++)
    for (let j = Math.floor(y0 / cell); j <= Math.floor(y1 / cell); j++) keys.push(`${i} ${j}`);
  return keys;
}

const overlap = (a: Box, b: Box): boolean => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;
