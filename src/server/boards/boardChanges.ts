import type { BoardChange, BoardRecord } from '~/schema/records/board/board';
import { InputError, type Fault } from '~/schema/values/faults';
import type { Db } from '~/server/store/db';
import { layerFaults } from './placement';
import { changeBoard } from '~/server/store/repositories/boards';
import { sitesOf } from '~/server/store/repositories/sites';

/** Changes what is told of a board; what lies on it must still fit its outline and its layers. */
export function changeTold(db: Db, boardId: string, change: BoardChange): BoardRecord {
  const { construction } = change;
  const faults: Fault[] = [];
  for (const site of sitesOf(db, boardId)) {
    if (site.x_mm > construction.length_mm)
      faults.push({
        path: '$.construction.length_mm',
        message: `is ${construction.length_mm} mm, but ${site.ref} lies at ${site.x_mm} mm; keep it at least that long`,
      });
    if (site.y_mm > construction.width_mm)
      faults.push({
        path: '$.construction.width_mm',
        message: `is ${construction.width_mm} mm, but ${site.ref} lies at ${site.y_mm} mm; keep it at least that wide`,
      });
    const [beyond] = layerFaults(construction, site.pads, site.ref);
    if (beyond)
      faults.push({
        path: '$.construction.copperLayers',
        message: `is too short: a pad of ${site.ref} ${beyond.message}`,
      });
  }
  if (faults.length) throw new InputError(faults.slice(0, MOST_FAULTS));
  return changeBoard(db, boardId, change);
}

const MOST_FAULTS = 12;
