import { InputError } from '~/schema/values/faults';
import type { ImportRecord, NewImport } from '~/schema/records/board/boardImport';
import type { CopperMap } from '~/schema/values/copperMap';
import type { Db } from '../store/db';
import { siteFaults } from './placement';
import { getBoard, setWaiting } from '../store/repositories/boards';
import { addImport, artworkCells, artworksOf } from '../store/repositories/imports';

/** Accepts an import after checking every site and layer against the board. */
export function acceptImport(db: Db, boardId: string, given: NewImport, now_ms: number): ImportRecord {
  const { construction } = getBoard(db, boardId);
  const faults = given.sites.flatMap((site, i) => siteFaults(construction, site, `$.sites[${i}]`));
  const count = construction.copperLayers.length;
  given.copper.forEach(({ map }, i) => {
    if (map.layer > count) {
      faults.push({
        path: `$.copper[${i}].map.layer`,
        message: `is ${map.layer}; the board has layers 1 to ${count}`,
      });
    }
  });
  if (given.sites.length === 0 && given.copper.length === 0 && given.profile === null) {
    faults.push({
      path: '$.sites',
      message: 'is empty and there is neither copper nor an edge; there is nothing to import',
    });
  }
  if (faults.length) throw new InputError(faults.slice(0, MOST_FAULTS));
  return db.transaction(() => {
    const made = addImport(db, boardId, given, now_ms);
    setWaiting(db, boardId, { waitingFor: 'you', nextAction: 'Choose the site to work on' });
    return made;
  });
}

const MOST_FAULTS = 20;

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
