/** A reference that would like to be written on a face. */
export interface LabelWish {
  readonly id: string;
  readonly text: string;
  /** Middle of its foot, in the drawing's own units; y counts downward. */
  readonly x: number;
  readonly y: number;
  /** The more, the earlier it is written. */
  readonly weight: number;
}

/** A monospaced letter is this share of its size wide; a line takes so much of it in height. */
const LETTER_WIDTH = 0.62;
const LINE_HEIGHT = 0.95;

/**
 * The references that find room: the weightiest first, each where none lies yet. Those left out are still
 * found by their part, the list and the search.
 */
export function labelsWithRoom(wishes: readonly LabelWish[], size: number): ReadonlySet<string> {
  const written = new Set<string>();
  const cells = new Map<string, Box[]>();
  const cell = 6 * size;
  const ordered = [...wishes].sort((a, b) => b.weight - a.weight);
  for (const { id, text, x, y } of ordered) {
    const half = (text.length * LETTER_WIDTH * size) / 2;
    const box: Box = { x0: x - half, x1: x + half, y0: y - LINE_HEIGHT * size, y1: y };
    const keys = keysOf(box, cell);
    if (keys.some((key) => cells.get(key)?.some((other) => overlap(box, other)))) continue;
    written.add(id);
    for (const key of keys) cells.set(key, [...(cells.get(key) ?? []), box]);
  }
  return written;
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
