import { and, asc, eq, isNotNull, lte, sum } from 'drizzle-orm';
import {
  supplyRecord,
  type NewMove,
  type NewSupply,
  type SupplyMove,
  type SupplyRecord,
  type StockedSupply,
  supplyMove,
} from '~/schema/records/rig/supply';
import { supplies, supplyMoves } from '~/schema/records/rig/supply.table';
import type { Db } from '../db';
import { ready } from '../ready';
import { lastWrittenFirst } from '../order';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

/** Supplies in use with what their moves leave of them, by name. */
const inUse = ready((db) =>
  db.select().from(supplies).where(eq(supplies.retired, false)).orderBy(asc(supplies.name)).prepare(),
);
const leftOf = ready((db) =>
  db
    .select({ id: supplyMoves.supplyId, left: sum(supplyMoves.change).mapWith(Number) })
    .from(supplyMoves)
    .groupBy(supplyMoves.supplyId)
    .prepare(),
);

export function listSupplies(db: Db): StockedSupply[] {
  const left = new Map(
    leftOf(db)
      .all()
      .map((row) => [row.id, row.left] as const),
  );
  return inUse(db)
    .all()
    .map((row) => ({ ...supplyRecord.parse(row), left: Math.max(0, left.get(row.id) ?? 0) }));
}

/** Whether anything was ever taken into stock, in use or not. */
export const anySupply = (db: Db): boolean =>
  db.select({ id: supplies.id }).from(supplies).limit(1).get() !== undefined;

export function addSupply(
  db: Db,
  { left, batch, by, ...supply }: NewSupply,
  now_ms: number,
  id = newId('supply'),
): StockedSupply {
  return db.transaction((tx) => {
    const record: SupplyRecord = { ...supply, id, retired: false, revision: 1 };
    tx.insert(supplies).values(record).run();
    if (left > 0) {
      tx.insert(supplyMoves)
        .values({
          id: `${id}-first`,
          supplyId: id,
          change: left,
          reason: 'counted',
          jobId: null,
          batch: batch || null,
          by,
          at_ms: now_ms,
        })
        .run();
    }
    return { ...record, left };
  });
}

/** Takes a supply out of use; its moves stay. */
export function retireSupply(db: Db, id: string, revision: number): { id: string } {
  const done = db
    .update(supplies)
    .set({ retired: true, revision: revision + 1 })
    .where(and(eq(supplies.id, id), eq(supplies.revision, revision)))
    .run();
  if (done.changes === 1) return { id };
  if (!db.select({ id: supplies.id }).from(supplies).where(eq(supplies.id, id)).get())
    throw new NotFound('supply', id);
  throw new Conflict('another screen has changed this supply; reload to see it');
}

/** Appends a move: what a person counted, bought or threw away. */
export function moveSupply(db: Db, move: NewMove, now_ms: number, id = newId('move')): StockedSupply {
  return db.transaction(() => {
    const supply = listSupplies(db).find((s) => s.id === move.supplyId);
    if (!supply) throw new NotFound('supply', move.supplyId);
    const change = {
      counted: move.amount - supply.left,
      bought: move.amount,
      used: -Math.min(move.amount, supply.left),
      thrown: -Math.min(move.amount, supply.left),
    }[move.reason];
    db.insert(supplyMoves)
      .values({
        id,
        supplyId: supply.id,
        change,
        reason: move.reason,
        jobId: null,
        batch: move.batch || null,
        by: move.by,
        at_ms: now_ms,
      })
      .run();
    return { ...supply, left: supply.left + change };
  });
}

/** The batch of a supply that was in use at some time, as it was told last by then; null where nobody told. */
export const batchAt = (db: Db, supplyId: string, at_ms: number): string | null =>
  db
    .select({ batch: supplyMoves.batch })
    .from(supplyMoves)
    .where(
      and(eq(supplyMoves.supplyId, supplyId), isNotNull(supplyMoves.batch), lte(supplyMoves.at_ms, at_ms)),
    )
    .orderBy(lastWrittenFirst(supplyMoves))
    .limit(1)
    .get()?.batch ?? null;

/** Books what a job used: no more than there is. Called within the transaction that closes the job. */
export function bookUse(
  db: Db,
  job: { readonly id: string; readonly by: string },
  uses: readonly { readonly supplyId: string | null; readonly amount: number }[],
  now_ms: number,
): void {
  const stock = new Map(listSupplies(db).map((s) => [s.id, s.left]));
  uses.forEach(({ supplyId, amount }, i) => {
    const left = supplyId === null ? undefined : stock.get(supplyId);
    if (supplyId === null || left === undefined || left <= 0 || amount <= 0) return;
    // Both halves of a job may take from one line.
    stock.set(supplyId, left - Math.min(amount, left));
    db.insert(supplyMoves)
      .values({
        id: `${job.id}-use-${i + 1}`,
        supplyId,
        change: -Math.min(amount, left),
        reason: 'used',
        jobId: job.id,
        by: job.by,
        at_ms: now_ms,
      })
      .onConflictDoNothing()
      .run();
  });
}

/** The last moves of all stock, newest first. */
export const recentMoves = (db: Db, limit: number): SupplyMove[] =>
  db
    .select()
    .from(supplyMoves)
    .orderBy(lastWrittenFirst(supplyMoves))
    .limit(limit)
    .all()
    .map((row) => supplyMove.parse(row));
