import type { APIContext } from 'astro';
import { describe, expect, it } from 'vitest';
import { freshDatabase } from '../../../tests/support/database';
import { newMove, newSupply } from '~/schema/records/rig/supply';
import { addSupply, listSupplies, moveSupply } from '~/server/store/repositories/supplies';
import { namedBy, newId } from '~/server/store/ids';
import type { Refusal } from '~/schema/values/refusal';
import { endpoint } from './respond';

const asking = (key: string | null): APIContext =>
  ({
    request: new Request('http://localhost/api/supplies/moves', {
      method: 'POST',
      headers: key === null ? {} : { 'idempotency-key': key },
    }),
  }) as APIContext;

const stock = () => {
  const db = freshDatabase();
  const wire = newSupply.parse({
    name: 'Reel',
    spec: { kind: 'wire', alloy: 'sn60pb40', diameter_mm: 0.5 },
    left: 0,
    by: 'MK',
  });
  addSupply(db, wire, 1, 'reel');
  const buy = newMove.parse({ supplyId: 'reel', reason: 'bought', amount: 5, by: 'MK' });
  return { db, buy, left: () => listSupplies(db)[0]!.left };
};

describe('a write that is sent twice (findings B3)', () => {
  it('is done once, and answered alike', async () => {
    const { db, buy, left } = stock();
    const route = endpoint(() => moveSupply(db, buy, 2), 201);
    const ask = async (key: string | null) => {
      const answer = await route(asking(key));
      return { status: answer.status, body: (await answer.json()) as unknown };
    };
    const first = await ask('press-0001');
    expect(await ask('press-0001')).toEqual(first);
    expect(left()).toBe(5);
    await ask('press-0002');
    await ask(null);
    expect(left()).toBe(15);
    expect((await ask('no key!')).status).toBe(400);
  });

  it('is known for what it is after the server was stopped in between', async () => {
    const { db, buy, left } = stock();
    // As a server before this one did it.
    namedBy('press-0003', () => moveSupply(db, buy, 2));
    const answer = await endpoint(() => moveSupply(db, buy, 3), 201)(asking('press-0003'));
    expect(answer.status).toBe(409);
    expect(((await answer.json()) as Refusal).message).toMatch(/written already/);
    expect(left()).toBe(5);
  });

  it('is judged anew after a refusal', async () => {
    const { db, buy, left } = stock();
    let full = true;
    const route = endpoint(() => {
      if (full) throw Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' });
      return moveSupply(db, buy, 2);
    }, 201);
    const refusal = await route(asking('press-0004'));
    expect(refusal.status).toBe(507);
    expect(await refusal.json()).toMatchObject({ error: 'disk-full' });
    full = false;
    expect((await route(asking('press-0004'))).status).toBe(201);
    expect(left()).toBe(5);
  });

  it('names each thing that it makes', () => {
    expect(namedBy('press-0005', () => [newId('a'), newId('a'), newId('b')])).toEqual([
      'a_press-0005',
      'a_press-0005-2',
      'b_press-0005-3',
    ]);
    expect(newId('a')).not.toBe(newId('a'));
  });
});
