import { LRUCache } from 'lru-cache';
import type { CopperMap } from '~/schema/values/copperMap';
import type { Db } from '~/server/store/db';
import { artworkCells, artworksOf } from '~/server/store/repositories/imports';

/** Copper pictures of the boards planned on lately, by the id of their artwork, which never changes. */
const kept = new WeakMap<Db, LRUCache<string, CopperMap>>();
const MOST_KEPT = 64;

/** Copper pictures as the heat model takes them, on cells of a millimetre or so. */
export function copperMapsOf(db: Db, boardId: string): CopperMap[] {
  const known = kept.get(db) ?? new LRUCache<string, CopperMap>({ max: MOST_KEPT });
  kept.set(db, known);
  return artworksOf(db, boardId).map(({ id, layer, nx, ny }) => {
    const before = known.get(id);
    if (before) return before;
    const map = coarser(artworkCells(db, boardId, id), layer, nx, ny);
    known.set(id, map);
    return map;
  });
}

/** Four cells as one. */
function coarser(cells: Uint8Array, layer: number, nx: number, ny: number): CopperMap {
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
}
