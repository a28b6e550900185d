import { and, eq, gt, inArray, sql } from 'drizzle-orm';
import { jobs } from '~/schema/records/jobs/job.table';
import { runEvents } from '~/schema/records/jobs/runEvent.table';
import { partMoves, stockParts } from '~/schema/records/parts/stockPart.table';
import { sites } from '~/schema/records/site/site.table';
import type { Db } from '../db';
import type { Row } from './writeRows';

/** Rows may refer to some that come later: held to it when all are written. Called first in a transaction. */
export const referLater = (db: Pick<Db, 'run'>): void => void db.run(sql`PRAGMA defer_foreign_keys = ON`);

/** A job that was here and was gone on with: how far it is and what came of it is what the bundle's row says, its entries being those. */
export function followEntries(db: Db, theirs: readonly Row[]): void {
  for (const row of theirs) {
    const id = String(row['id']);
    const last = Number(row['lastSeq']);
    const there = db
      .select({ seq: runEvents.seq })
      .from(runEvents)
      .where(and(eq(runEvents.jobId, id), eq(runEvents.seq, last)))
      .get();
    if (!there) continue;
    const { status, outcome, cause, closedAt_ms, lastSeq } = row as typeof jobs.$inferSelect;
    // One that is further here has entries that the bundle's row knows nothing of.
    const further = db
      .select({ seq: runEvents.seq })
      .from(runEvents)
      .where(and(eq(runEvents.jobId, id), gt(runEvents.seq, last)))
      .get();
    if (further) continue;
    db.update(jobs)
      .set({ status, outcome, cause, closedAt_ms, lastSeq })
      .where(and(eq(jobs.id, id), sql`${jobs.lastSeq} < ${last}`))
      .run();
  }
}

/** What is left of lines of stock, by all of their moves; no less than nothing where two benches took the same ones. */
export function countStock(db: Db, ids: readonly string[]): void {
  for (const id of ids)
    db.update(stockParts)
      .set({
        left: sql`(SELECT max(0, coalesce(sum(${partMoves.change}), 0)) FROM ${partMoves} WHERE ${partMoves.partId} = ${id})`,
      })
      .where(eq(stockParts.id, id))
      .run();
}

/** A site whose pads were changed is another revision: what was read of it is read anew, and a screen that has the old one is told. */
export function raiseSites(db: Db, ids: readonly string[]): void {
  for (let i = 0; i < ids.length; i += 500)
    db.update(sites)
      .set({ revision: sql`${sites.revision} + 1` })
      .where(inArray(sites.id, ids.slice(i, i + 500)))
      .run();
}
