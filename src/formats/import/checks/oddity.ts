import { metres, millimetres } from '~/core/quantity/convert';
import type { Construction } from '~/schema/values/construction';
import type { Box, Evidence } from './evidence';

/** Sizes that no board of this trade has (common practice): the largest drill, the middle of all drills, a board's sides. */
const LARGEST_HOLE_m = 13e-3;
const MIDDLE_HOLE_m: readonly [number, number] = [0.1e-3, 4e-3];
const BOARD_m: readonly [number, number] = [4e-3, 1];
/** More than the told board by this, or under so small a share of it, is not that board. */
const OVER = 1.3;
const UNDER = 0.08;
const PROVES = 8;

/** What of a file's sizes cannot be, in words; null where all can. */
export function oddityOf(evidence: Evidence, { length_mm, width_mm }: Construction): string | null {
  if (evidence.kind === 'drill') {
    const sizes = evidence.marks.map((mark) => 2 * mark.halfWidth_m).sort((a, b) => a - b);
    const largest = sizes.at(-1) ?? 0;
    const middle = sizes[Math.floor(sizes.length / 2)] ?? MIDDLE_HOLE_m[0];
    if (largest > LARGEST_HOLE_m) return `its largest hole is ${shown(largest)} mm wide`;
    if (middle < MIDDLE_HOLE_m[0] || middle > MIDDLE_HOLE_m[1])
      return `most of its holes are ${shown(middle)} mm wide`;
  }
  const [box, count] = spanOf(evidence);
  if (!box || count < PROVES) return null;
  const [long, short] = [box.x1 - box.x0, box.y1 - box.y0].sort((a, b) => b - a) as [number, number];
  const size = `it spans ${shown(box.x1 - box.x0)} × ${shown(box.y1 - box.y0)} mm`;
  if (long > BOARD_m[1] || long < BOARD_m[0]) return size;
  const [toldLong, toldShort] = [
    metres(Math.max(length_mm, width_mm)),
    metres(Math.min(length_mm, width_mm)),
  ];
  if (
    long > OVER * toldLong ||
    short > OVER * toldLong ||
    (long < UNDER * toldLong && short < UNDER * toldShort)
  )
    return `${size}, and the board is told to be ${length_mm} × ${width_mm} mm`;
  return null;
}

const shown = (value_m: number): string => {
  const mm = millimetres(value_m);
  return mm >= 100 ? String(Math.round(mm)) : String(Number(mm.toPrecision(3)));
};

/** What a file spans, and of how many things that is known. */
function spanOf(evidence: Evidence): readonly [Box | null, count: number] {
  switch (evidence.kind) {
    case 'edge':
      return [evidence.box, PROVES];
    case 'copper':
      return [evidence.box, evidence.box ? PROVES : 0];
    case 'netlist':
    case 'drill':
      return [spanned(evidence.marks.map(({ x_m, y_m }) => [x_m, y_m] as const)), evidence.marks.length];
    case 'list':
      return [spanned([...evidence.places.values()]), evidence.places.size];
  }
}

function spanned(places: readonly (readonly [number, number])[]): Box | null {
  if (places.length === 0) return null;
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [x, y] of places) {
    [x0, x1] = [Math.min(x0, x), Math.max(x1, x)];
    [y0, y1] = [Math.min(y0, y), Math.max(y1, y)];
  }
  return { x0, x1, y0, y1 };
}
