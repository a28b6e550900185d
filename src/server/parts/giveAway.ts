import type { GiveAway } from '~/schema/records/parts/giveAway';
import type { StockPart } from '~/schema/records/parts/stockPart';
import { openBoard } from '~/server/boards/openBoard';
import { restate } from '~/server/boards/restate';
import { InputError } from '~/schema/values/faults';
import type { Db } from '~/server/store/db';
import { newId } from '~/server/store/ids';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { getSite } from '~/server/store/repositories/sites';
import { addPart, givenFrom, movePart } from '~/server/store/repositories/stockParts';
import { heatsOf } from './donors';
import { originalOf } from './originalOf';

/**
 * A part that came off and was kept goes into a drawer, with the heats it has been through, held until it is tested; its
 * site says where it went. All of it or nothing. Throws `InputError` where no such part is off.
 */
export function giveAway(db: Db, siteId: string, { drawer, kind, by }: GiveAway, at_ms: number): StockPart {
  return db.transaction(() => {
    const site = getSite(db, siteId);
    const stands = openBoard(db, site.boardId).occupancies.get(siteId);
    const given = givenFrom(db, siteId)[0];
    if (stands?.kind !== 'off-kept')
      throw new InputError([
        { path: '$', message: `is not off and kept: take ${site.ref} off with “keep the part” first` },
      ]);
    if (given && given.move.at_ms >= (stands.since_ms ?? 0))
      throw new InputError([{ path: '$', message: `went into ${given.line.drawer || 'a drawer'} already` }]);
    const told = originalOf(site);
    if (!told && kind === null)
      throw new InputError([
        { path: '$.kind', message: `is not told by its value “${site.value}”; say what kind of part it is` },
      ]);
    const line = addPart(
      db,
      {
        part: {
          ...(told ?? { kind: kind!, ...(site.value ? { marking: site.value.slice(0, 60) } : {}) }),
          source: 'donor',
          heatCycles: Math.min(100, heatsOf(db, site)),
        },
        drawer,
        batch: '',
        count: 0,
        low: 0,
        state: 'held',
        because: `${site.ref} of another board, not tested yet`,
        by,
      },
      at_ms,
    );
    const entry = { kind: 'part', siteId, is: 'off-kept', what: '', where: `drawer ${drawer}` } as const;
    addBoardEntry(db, { id: newId('entry'), boardId: site.boardId, at_ms, by, body: entry });
    const moved = movePart(db, line.id, { reason: 'from-donor', amount: 1, siteId, by }, at_ms);
    restate(db, site.boardId);
    return moved;
  });
}
