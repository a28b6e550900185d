import { asc, eq } from 'drizzle-orm';
import { readingRecord, type ReadingRecord } from '~/schema/records/site/continuityReading';
import { readings } from '~/schema/records/site/continuityReading.table';
import type { Db } from '../db';

export const readingsOfSite = (db: Db, siteId: string): ReadingRecord[] =>
  db
    .select()
    .from(readings)
    .where(eq(readings.siteId, siteId))
    .orderBy(asc(readings.at_ms))
    .all()
    .map((row) => readingRecord.parse(row));

export const readingsOfBoard = (db: Db, boardId: string): ReadingRecord[] =>
  db
    .select()
    .from(readings)
    .where(eq(readings.boardId, boardId))
    .orderBy(asc(readings.at_ms))
    .all()
    .map((row) => readingRecord.parse(row));

export function addReading(db: Db, reading: ReadingRecord): ReadingRecord {
  db.insert(readings).values(reading).run();
  return reading;
}
