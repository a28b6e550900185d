import { eq } from 'drizzle-orm';
import {
  continuityReadingRecord,
  type ContinuityReadingRecord,
} from '~/schema/records/site/continuityReading';
import { continuityReadings } from '~/schema/records/site/continuityReading.table';
import type { Db } from '../db';
import { asWritten } from '../order';

export const continuityReadingsOfSite = (db: Db, siteId: string): ContinuityReadingRecord[] =>
  db
    .select()
    .from(continuityReadings)
    .where(eq(continuityReadings.siteId, siteId))
    .orderBy(asWritten(continuityReadings))
    .all()
    .map((row) => continuityReadingRecord.parse(row));

export const continuityReadingsOfBoard = (db: Db, boardId: string): ContinuityReadingRecord[] =>
  db
    .select()
    .from(continuityReadings)
    .where(eq(continuityReadings.boardId, boardId))
    .orderBy(asWritten(continuityReadings))
    .all()
    .map((row) => continuityReadingRecord.parse(row));

export function addContinuityReading(db: Db, reading: ContinuityReadingRecord): ContinuityReadingRecord {
  db.insert(continuityReadings).values(reading).run();
  return reading;
}
