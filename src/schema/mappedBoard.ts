import { z } from 'zod';
import { metres } from '../core/quantity/convert';
import type { CoverageMap, FieldBoard } from '../core/thermal/field/mesh';
import { copperMap } from './boardImport';
import { boardOf, construction } from './construction';
import { quantity } from './fields';

/** A board with what is known of it beyond its layers' stated shares: its outline, and pictures of its copper. */
export const mappedBoard = construction.extend({
  /** Corners in order, where the board is no rectangle. */
  outline_mm: z
    .array(z.tuple([quantity('mm', 0, 1000), quantity('mm', 0, 1000)]))
    .min(3, { error: 'needs at least three corners' })
    .max(2000)
    .optional(),
  /** Copper as artwork shows it, where it is known better than by its share. */
  copperMaps: z.array(copperMap).max(16).optional(),
});
export type MappedBoard = z.infer<typeof mappedBoard>;

export const fieldBoardOf = (board: MappedBoard): FieldBoard => ({
  ...boardOf(board),
  outline: board.outline_mm?.map(([x_mm, y_mm]) => [metres(x_mm), metres(y_mm)] as const),
  maps: mapsOf(board),
});

/** Coverage by layer where a picture of it was given. */
function mapsOf(board: MappedBoard): readonly (CoverageMap | null)[] | undefined {
  if (!board.copperMaps || board.copperMaps.length === 0) return undefined;
  return board.copperLayers.map((_, i) => {
    const map = board.copperMaps!.find((m) => m.layer === i + 1);
    if (!map) return null;
    const share = Float32Array.from(atob(map.cells), (byte) => byte.charCodeAt(0) / 255);
    return { nx: map.nx, ny: map.ny, share };
  });
}
