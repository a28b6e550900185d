import { describe, expect, it } from 'vitest';
import { InputError } from '~/schema/values/faults';
import { stockSwapInput } from '~/schema/exchange/parts/stockSwap';
import type { Db } from '~/server/store/db';
import { openBoard } from '~/server/boards/openBoard';
import { enterOnBoard } from '~/server/boards/boardEntry';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { addBoard } from '~/server/store/repositories/boards';
import { addSite } from '~/server/store/repositories/sites';
import { donorsOfPart, givenFrom, movePart, sitesWithPart } from '~/server/store/repositories/stockParts';
import { newBoard } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { ensureRig } from '~/server/rig/firstRig';
import { SIMULATE_EXAMPLE } from '../../../tests/support/requests';
import { freshDatabase } from '../../../tests/support/database';
import { giveAway } from './giveAway';
import { stockSwap } from './stockSwap';

function withSite(db: Db, boardId: string, ref: string, value: string): string {
  ensureRig(db);
  const board = { name: boardId, owner: 'MK', fault: 'dead', construction: SIMULATE_EXAMPLE.board };
  addBoard(db, newBoard.parse(board), 1000, boardId);
  const site = newSite.parse({
    ref,
    value,
    side: 'top',
    x_mm: 20,
    y_mm: 20,
    alloy: 'sn60pb40',
    package: { family: 'chip', code: '1206' },
    pads: ['1', '2'].map((name) => ({ name, net: '', connections: [{ kind: 'isolated' }] })),
  });
  return addSite(db, boardId, site, `${boardId}-${ref}`).id;
}
const told = (db: Db, boardId: string, siteId: string, is: 'off-kept' | 'off-given-up', at_ms: number) =>
  addBoardEntry(db, {
    id: `${siteId}-${at_ms}`,
    boardId,
    at_ms,
    by: 'MK',
    body: { kind: 'part', siteId, is, what: '', where: '' },
  });

describe('a donor', () => {
  const ask = (db: Db, siteId: string) =>
    stockSwap(
      db,
      stockSwapInput.parse({
        original: { kind: 'resistor', technology: 'metal-film', value: '820R' },
        siteId,
      }),
      2026,
    ).donors;

  it('is another board whose part fits and stands there still, scrapped boards first', () => {
    const db = freshDatabase();
    const wanted = withSite(db, 'wants', 'R1', '820R');
    withSite(db, 'other', 'R7', '820R');
    withSite(db, 'wrong', 'R3', '8k2');
    const gone = withSite(db, 'gone', 'R2', '820R');
    told(db, 'gone', gone, 'off-given-up', 2000);
    withSite(db, 'scrap', 'R9', '820');
    enterOnBoard(
      db,
      'scrap',
      { clientId: 's1', by: 'MK', body: { kind: 'scrapped', cause: 'charred' } },
      2000,
    );
    expect(ask(db, wanted).map((d) => [d.board, d.ref, d.scrapped, d.heats])).toEqual([
      ['scrap', 'R9', true, 2],
      ['other', 'R7', false, 2],
    ]);
  });

  it('gives its part to a drawer with the heats it has been through, once, and says where it went', () => {
    const db = freshDatabase();
    const from = withSite(db, 'gives', 'R7', '820R');
    const give = (at_ms: number) => giveAway(db, from, { drawer: 'C9', kind: null, by: 'MK' }, at_ms);
    expect(() => give(1500)).toThrow(InputError);
    told(db, 'gives', from, 'off-kept', 2000);
    const line = give(3000);
    expect(line).toMatchObject({
      count: 1,
      state: 'held',
      drawer: 'C9',
      part: { source: 'donor', heatCycles: 1 },
    });
    expect(() => give(4000)).toThrow(/already/);
    expect(openBoard(db, 'gives').occupancies.get(from)).toMatchObject({
      kind: 'off-kept',
      where: 'drawer C9',
    });
    expect(givenFrom(db, from)).toHaveLength(1);
    expect(donorsOfPart(db, line.id)).toMatchObject([{ ref: 'R7', board: 'gives' }]);

    const to = withSite(db, 'gets', 'R1', '820R');
    movePart(db, line.id, { reason: 'fitted', amount: 1, siteId: to, by: 'MK' }, 5000);
    expect(sitesWithPart(db, line.id)).toMatchObject([{ ref: 'R1', board: 'gets' }]);
  });

  it('whose value does not tell what stood there is asked what it is', () => {
    const db = freshDatabase();
    const from = withSite(db, 'gives', 'U2', 'EE64-20');
    told(db, 'gives', from, 'off-kept', 2000);
    const give = (kind: 'memory' | null) => giveAway(db, from, { drawer: 'E3', kind, by: 'MK' }, 3000);
    expect(() => give(null)).toThrow(/what kind/);
    expect(give('memory')).toMatchObject({ part: { kind: 'memory', marking: 'EE64-20', source: 'donor' } });
  });
});
