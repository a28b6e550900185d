import { and, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import type { SupplyRead } from '~/core/record/supplyGate';
import { jobs } from '~/schema/records/jobs/job.table';
import { READS_SUPPLY, runEvents } from '~/schema/records/jobs/runEvent.table';
import { runEventBody } from '~/schema/records/jobs/runEvent';
import type { Db } from '../db';

/** What the bench's supply was last read at, whatever it fed; null where it never was. */
export const lastSupply = (db: Db): SupplyRead | null => newest(db, undefined, desc(runEvents.at_ms));

/** What was last read of the supply of one board. */
export const supplyOfBoard = (db: Db, boardId: string): SupplyRead | null =>
  newest(
    db,
    inArray(runEvents.jobId, db.select({ id: jobs.id }).from(jobs).where(eq(jobs.boardId, boardId))),
    // By its jobs: in order of time a board of years ago would come after every other.
    sql`+${runEvents.at_ms} desc`,
  );

function newest(db: Db, of: SQL | undefined, order: SQL): SupplyRead | null {
  const row = db
    .select({ body: runEvents.body })
    .from(runEvents)
    .where(and(READS_SUPPLY, of))
    .orderBy(order)
    .limit(1)
    .get();
  const body = row && runEventBody.parse(row.body);
  return body?.kind === 'step-done' ? (body.supply ?? null) : null;
}
