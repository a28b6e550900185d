import { frameFor, painting, shares, type Frame } from '~/core/artwork/paint';
import { metres } from '~/core/quantity/convert';
import type { Construction } from '~/schema/values/construction';
import type { Artwork } from '~/formats/gerber/artwork';
import type { Point } from '~/core/geometry/polygon';
import type { Collected } from './collected';
import { extentOf } from './importProfile';

/** Coverage of one copper layer on cells of about half a millimetre, row by row from y = 0. */
export interface PlannedLayer {
  readonly layer: number;
  readonly file: string;
  readonly nx: number;
  readonly ny: number;
  /** 0 to 255. */
  readonly cells: Uint8Array;
  readonly coverage: number;
}

/** Cells of stored coverage, m: finer than the field's grid, coarse enough to be kept. */
const COVERAGE_CELL_m = 0.5e-3;

/**
 * From the files' origin to the board's corner: by the edge where a file draws it, none where everything lies
 * on the board already, else so that the files' middle goes to the board's.
 */
export function shiftOntoBoard(
  read: Collected,
  { length_mm, width_mm }: Construction,
  edge: readonly Point[] | null,
): readonly [number, number] {
  if (edge) {
    const { x0, y0 } = extentOf(edge);
    return [-x0, -y0];
  }
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  const meet = (x: number, y: number): void => {
    [x0, x1] = [Math.min(x0, x), Math.max(x1, x)];
    [y0, y1] = [Math.min(y0, y), Math.max(y1, y)];
  };
  for (const { artwork, layer } of read.artworks) {
    // What is not used does not move the board: a frame or a title block lies anywhere.
    if (layer === 0) continue;
    for (const { shapes } of artwork.objects) {
      for (const { contour } of shapes)
        for (let i = 0; i < contour.length; i += 2) meet(contour[i]!, contour[i + 1]!);
    }
  }
  for (const part of read.parts) {
    for (const land of part.lands) meet(part.side === 'bottom' ? -land.x_m : land.x_m, land.y_m);
  }
  for (const row of read.rows.values()) if (row.x_m !== null && row.y_m !== null) meet(row.x_m, row.y_m);
  if (x0 > x1) return [0, 0];
  const [length_m, width_m] = [metres(length_mm), metres(width_mm)];
  if (x0 >= 0 && y0 >= 0 && x1 <= length_m && y1 <= width_m) return [0, 0];
  return [(length_m - x0 - x1) / 2, (width_m - y0 - y1) / 2];
}

/** A layer's copper on the board, its frame counted from the board's corner. */
export function* paintLayer(
  artwork: Artwork,
  { length_mm, width_mm }: Construction,
  [dx, dy]: readonly [number, number],
): Generator<number, { readonly image: Uint8Array; readonly frame: Frame }> {
  const frame = frameFor(-dx, -dy, metres(length_mm), metres(width_mm));
  const image = yield* painting(artwork.objects, frame);
  return { image, frame: { ...frame, x_m: 0, y_m: 0 } };
}

/** The same as shares of coarser cells, to be kept. */
export function coverageOf(
  image: Uint8Array,
  frame: Frame,
  { length_mm, width_mm }: Construction,
): Pick<PlannedLayer, 'nx' | 'ny' | 'cells' | 'coverage'> {
  const nx = Math.max(2, Math.round(metres(length_mm) / COVERAGE_CELL_m));
  const ny = Math.max(2, Math.round(metres(width_mm) / COVERAGE_CELL_m));
  const share = shares(image, frame, nx, ny);
  return {
    nx,
    ny,
    cells: Uint8Array.from(share, (value) => Math.round(255 * value)),
    coverage: share.reduce((sum, value) => sum + value, 0) / share.length,
  };
}
