import { layerDepth_m, type Board } from '../stackup';
import { JOINT } from './settings';

/** One conducting sheet of the joint model: a copper layer, or laminate between two of them. */
export interface ConductingSheet {
  /** Depth of its middle below the top face, m. */
  readonly depth_m: number;
  /** Laminate that belongs to it, m. */
  readonly laminate_m: number;
  /** One-based copper layer, or null for laminate alone. */
  readonly layer: number | null;
  /** The coarse sheet that it is part of away from the joint, counted from the top face. */
  readonly coarse: number;
  /** Whether it speaks for its coarse sheet: a face, a copper layer, or the middle between two faces. */
  readonly anchored: boolean;
}

/**
 * Sheets from the top face down: both faces, every copper layer, and laminate between, close together under a face
 * and wider toward the middle. How many there are depends on the count of layers alone, so that a board a hair
 * thicker is not another board. A single copper layer lies on the bottom face.
 */
export function conductingSheets(board: Board): readonly ConductingSheet[] {
  const known = sheetsKnown.get(board);
  if (known) return known;
  const sheets = sheetsIn(board);
  sheetsKnown.set(board, sheets);
  return sheets;
}

/** Draws of one joint are of one board. */
const sheetsKnown = new WeakMap<Board, readonly ConductingSheet[]>();

function sheetsIn(board: Board): ConductingSheet[] {
  const anchors: { depth_m: number; layer: number | null }[] = board.copper.map((_, index) => ({
    depth_m: layerDepth_m(board, index + 1),
    layer: index + 1,
  }));
  if (anchors[0]!.depth_m > 0) anchors.unshift({ depth_m: 0, layer: null });
  // The middle between two faces, or between inner copper layers far apart, is a coarse sheet of its own.
  const middle = (above: number): void => {
    const depth_m = (anchors[above]!.depth_m + anchors[above + 1]!.depth_m) / 2;
    anchors.splice(above + 1, 0, { depth_m, layer: null });
  };
  const gaps = anchors.length - 1;
  if (gaps === 1) middle(0);
  if (gaps === 3) middle(1);

  const planes: typeof anchors = [];
  anchors.forEach((anchor, index) => {
    const above = anchors[index - 1];
    if (above) {
      const gap_m = anchor.depth_m - above.depth_m;
      for (const into_m of fillings_m(gap_m, index - 1, anchors.length - 1))
        planes.push({ depth_m: above.depth_m + into_m, layer: null });
    }
    planes.push(anchor);
  });

  const coarseOf = (depth_m: number): number =>
    anchors.reduce(
      (best, { depth_m: at_m }, i) =>
        Math.abs(at_m - depth_m) < Math.abs(anchors[best]!.depth_m - depth_m) ? i : best,
      0,
    );
  return planes.map((plane, index) => {
    const above = planes[index - 1]?.depth_m ?? plane.depth_m;
    const below = planes[index + 1]?.depth_m ?? plane.depth_m;
    const coarse = coarseOf(plane.depth_m);
    const anchored = anchors[coarse] === plane;
    return { ...plane, laminate_m: (below - above) / 2, coarse, anchored };
  });
}

/** Where sheets stand in gap `index` of `gaps`, from its top, m. */
function fillings_m(gap_m: number, index: number, gaps: number): number[] {
  if (index > 0 && index < gaps - 1) return [];
  const steps = gaps <= JOINT.gapsWithDepth ? 3 : gaps <= JOINT.gapsWithSkin ? 2 : 1;
  const depths_m = graded_m(gap_m, steps);
  return index === 0 ? depths_m : depths_m.map((depth_m) => gap_m - depth_m).reverse();
}

/** The inner ends of `steps` steps that fill a gap, the first one thin and each wider than the last by one ratio. */
function graded_m(gap_m: number, steps: number): number[] {
  const first_m = Math.min(JOINT.faceSheet_m, gap_m / steps);
  let low = 1;
  let high = gap_m / first_m;
  for (let i = 0; i < 40; i++) {
    const ratio = (low + high) / 2;
    let sum_m = 0;
    for (let k = 0; k < steps; k++) sum_m += first_m * ratio ** k;
    if (sum_m < gap_m) low = ratio;
    else high = ratio;
  }
  const depths_m: number[] = [];
  for (let k = 0, at_m = 0; k < steps - 1; k++) depths_m.push((at_m += first_m * low ** k));
  return depths_m;
}
