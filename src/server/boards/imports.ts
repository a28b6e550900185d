import { InputError } from '~/schema/values/faults';
import type { ImportRecord, NewImport } from '~/schema/records/board/boardImport';
import type { Db } from '~/server/store/db';
import { siteFaults } from './placement';
import { restate } from './restate';
import { getBoard } from '~/server/store/repositories/boards';
import { addImport } from '~/server/store/repositories/imports';

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
    restate(db, boardId);
    return made;
  });
}

const MOST_FAULTS = 20;
