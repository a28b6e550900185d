import { eq, sql } from 'drizzle-orm';
import {
  continuityReadingRecord,
  type ContinuityReadingRecord,
} from '~/schema/records/site/continuityReading';
import { continuityReadings } from '~/schema/records/site/continuityReading.table';
import type { Db } from '../db';
import { ready } from '../ready';
import { asWritten } from '../order';

export const continuityReadingsOfSite = (db: Db, siteId: string): ContinuityReadingRecord[] =>
  db
    .select()
    .from(continuityReadings)
    .where(eq(continuityReadings.siteId, siteId))
    .orderBy(asWritten(continuityReadings))
    .all()
    .map((row) => continuityReadingRecord.parse(row));

const ofBoard = ready((db) =>
  db
    .select()
    .from(continuityReadings)
    .where(eq(continuityReadings.boardId, sql.placeholder('boardId')))
    .orderBy(asWritten(continuityReadings))
    .prepare(),
);

export const continuityReadingsOfBoard = (db: Db, boardId: string): ContinuityReadingRecord[] =>
  ofBoard(db)
    .all({ boardId })
    .map((row) => continuityReadingRecord.parse(row));

export function addContinuityReading(db: Db, reading: ContinuityReadingRecord): ContinuityReadingRecord {
  db.insert(continuityReadings).values(reading).run();
  return reading;
}
