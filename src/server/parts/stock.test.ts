import { describe, expect, it } from 'vitest';
import { newStockPart, stockPartChange } from '~/schema/records/parts/stockPart';
import { stockSwapInput } from '~/schema/exchange/parts/stockSwap';
import { Conflict } from '~/server/store/errors';
import type { Db } from '~/server/store/db';
import {
  addPart,
  changePart,
  findParts,
  getPart,
  historyOfPart,
  movePart,
} from '~/server/store/repositories/stockParts';
import { restate } from '~/server/boards/restate';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { getBoard } from '~/server/store/repositories/boards';
import { addOrder } from '~/server/store/repositories/partOrders';
import { freshDatabase, withBoard } from '../../../tests/support/database';
import { arrive } from './arrival';
import { judgePart } from './judgePart';
import { orderCsv } from './orderCsv';
import { ordersSheet } from './ordersSheet';
import { stockSwap } from './stockSwap';

const CAN = { kind: 'capacitor', technology: 'aluminium', value: '270µ', rating_V: 35 } as const;

const put = (db: Db, id: string, changes: object = {}, line: object = {}) =>
  addPart(
    db,
    newStockPart.parse({
      part: { ...CAN, ...changes },
      drawer: 'A1',
      batch: 'K1',
      count: 10,
      by: 'MK',
      ...line,
    }),
    1000,
    id,
  );

describe('parts in drawers', () => {
  it('are found by what one would type: value with or without its Greek, rating, drawer, batch', () => {
    const db = freshDatabase();
    put(db, 'a');
    put(
      db,
      'b',
      { kind: 'resistor', technology: 'metal-film', value: '4k7', rating_V: undefined },
      { drawer: 'C 100%' },
    );
    const found = (typed: string): string[] => findParts(db, typed, 10).lines.map(({ id }) => id);
    for (const typed of ['270uf', '270 µF', '35 v', 'alum a1', 'K1 270'])
      expect(found(typed), typed).toEqual(['a']);
    expect(found('4.7 k')).toEqual(['b']);
    expect(found('4k7')).toEqual(['b']);
    // Signs of a pattern are what they are.
    expect(found('100%')).toEqual(['b']);
    expect(found('1_0')).toEqual([]);
    expect(findParts(db, '', 1)).toMatchObject({ of: 2 });
  });

  it('come and go by moves that are appended; no more goes than there is', () => {
    const db = freshDatabase();
    put(db, 'a');
    const move = (reason: 'fitted' | 'bought' | 'counted', amount: number): number =>
      movePart(db, 'a', { reason, amount, siteId: null, by: 'MK' }, 2000).count;
    expect(move('fitted', 3)).toBe(7);
    expect(move('fitted', 30)).toBe(0);
    expect(move('bought', 5)).toBe(5);
    expect(move('counted', 4)).toBe(4);
    const { moves } = historyOfPart(db, 'a', 10);
    expect(moves.reduce((sum, m) => sum + m.change, 0)).toBe(getPart(db, 'a').count);
  });

  it('are not changed over another screen’s change', () => {
    const db = freshDatabase();
    const line = put(db, 'a');
    const change = (because: string) => {
      const { id: _id, count: _count, ...rest } = line;
      return changePart(db, 'a', stockPartChange.parse({ ...rest, state: 'held', because }));
    };
    expect(change('to be tested')).toMatchObject({ state: 'held', revision: 2 });
    expect(() => change('again')).toThrow(Conflict);
  });

  it('that are held or rejected say why', () => {
    const held = { part: CAN, count: 1, by: 'MK', state: 'held' };
    expect(newStockPart.safeParse(held).success).toBe(false);
    expect(newStockPart.safeParse({ ...held, because: 'not tested' }).success).toBe(true);
  });

  it('keep each reading with what it was judged by their own figures', () => {
    const db = freshDatabase();
    put(db, 'a');
    judgePart(db, 'a', { capacitance: '262µ', esr_Ohm: 0.2, inCircuit: false }, 'MK', 3000);
    const { answer } = judgePart(db, 'a', { capacitance: '100µ', inCircuit: false }, 'MK', 4000);
    expect(answer.verdict).toBe('dead');
    expect(historyOfPart(db, 'a', 10).readings.map((r) => r.verdict)).toEqual(['dead', 'good']);
  });

  it('are held against what stood there, what fits first; a rejected batch is not offered', () => {
    const db = freshDatabase();
    put(db, 'same');
    put(db, 'low', { rating_V: 16 });
    put(db, 'high', { rating_V: 63 });
    put(db, 'bad', {}, { state: 'rejected', because: 'dried out' });
    put(db, 'half', { value: '150µ' }, { count: 4 });
    const answer = stockSwap(
      db,
      stockSwapInput.parse({ original: CAN, circuit: { use: 'filter', voltage_V: 24 } }),
      2026,
    );
    const order = answer.fromStock.map(({ line }) => line.id);
    expect(order.slice(0, 2).sort()).toEqual(['high', 'same']);
    expect(order).not.toContain('bad');
    expect(answer.fromStock.at(-1)!.answer.verdict).toBe('do-not-fit');
    expect(
      answer.combinations.some((c) => c.lines.every((l) => l.id === 'half') && c.how === 'parallel'),
    ).toBe(true);
  });
});

describe('an order that came', () => {
  it('is in its drawer once, held until it is tested, and wakes the board that was parked for it', () => {
    const db = freshDatabase();
    const board = withBoard(db);
    put(db, 'a', {}, { count: 2, low: 8 });
    addBoardEntry(db, {
      id: 'parked',
      boardId: board.id,
      at_ms: 1500,
      by: 'MK',
      body: { kind: 'parked', awaits: 'part', what: 'eight cans', due_ms: null },
    });
    restate(db, board.id);
    expect(ordersSheet(db)).toMatchObject({ short: [{ id: 'a' }], waiting: [{ id: board.id }] });
    const order = addOrder(
      db,
      {
        supplier: 'the counter',
        expected_ms: null,
        lines: [{ partId: 'a', count: 10 }],
        boards: [board.id],
        by: 'MK',
      },
      1600,
      'order-1',
    );
    // What is on its way is not ordered again.
    expect(ordersSheet(db).short).toEqual([]);
    const came = {
      received: [{ partId: 'a', count: 9, batch: 'K2' }],
      by: 'MK',
      revision: order.revision,
    };
    expect(arrive(db, 'order-1', came, 2000).state).toBe('arrived');
    // Old and new do not lie in one line: a batch is told from another for good.
    expect(getPart(db, 'a')).toMatchObject({ count: 2, state: 'released', low: 0 });
    const [fresh] = findParts(db, 'k2', 10).lines;
    expect(fresh).toMatchObject({ batch: 'K2', count: 9, state: 'held', low: 8, drawer: 'A1' });
    expect(historyOfPart(db, fresh!.id, 5).moves).toHaveLength(1);
    expect(getBoard(db, board.id).waitingFor).not.toBe('parts');
    expect(() => arrive(db, 'order-1', came, 2100)).toThrow(Conflict);
    expect(findParts(db, 'k2', 10).of).toBe(1);
  });

  it('is told to a supplier as a table in which nothing is a formula', () => {
    const db = freshDatabase();
    put(db, 'x', {
      kind: 'logic',
      technology: undefined,
      value: undefined,
      rating_V: undefined,
      marking: '=1+1',
    });
    expect(orderCsv(db, { lines: [{ partId: 'x', count: 3 }] })).toBe(
      'count,part,marking\r\n3,logic =1+1,"\'=1+1"\r\n',
    );
  });
});
