import type { CopperMap } from '~/schema/values/copperMap';
import type { Db } from '~/server/store/db';
import { artworkCells, artworksOf } from '~/server/store/repositories/imports';

/** Copper pictures as the heat model takes them, on cells of a millimetre or so. */
export function copperMapsOf(db: Db, boardId: string): CopperMap[] {
  return artworksOf(db, boardId).map(({ id, layer, nx, ny }) => {
    const cells = artworkCells(db, boardId, id);
    const [halfX, halfY] = [Math.max(2, nx >> 1), Math.max(2, ny >> 1)];
    const coarse = new Uint8Array(halfX * halfY);
    for (let j = 0; j < halfY; j++) {
      for (let i = 0; i < halfX; i++) {
        const at = (dx: number, dy: number): number =>
          cells[Math.min(ny - 1, 2 * j + dy) * nx + Math.min(nx - 1, 2 * i + dx)]!;
        coarse[j * halfX + i] = Math.round((at(0, 0) + at(1, 0) + at(0, 1) + at(1, 1)) / 4);
      }
    }
    return { layer, nx: halfX, ny: halfY, cells: Buffer.from(coarse).toString('base64') };
  });
}
