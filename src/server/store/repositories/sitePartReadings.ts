import { desc, eq } from 'drizzle-orm';
import { sitePartReading, type SitePartReading } from '~/schema/records/site/partReading';
import { sitePartReadings } from '~/schema/records/site/partReading.table';
import type { Db } from '../db';

/** Longer lists than this nobody reads. */
const MOST = 100;

/** What was read of the part on a site, newest first. */
export const partReadingsAt = (db: Db, siteId: string): SitePartReading[] =>
  db
    .select()
    .from(sitePartReadings)
    .where(eq(sitePartReadings.siteId, siteId))
    .orderBy(desc(sitePartReadings.at_ms))
    .limit(MOST)
    .all()
    .map((row) => sitePartReading.parse(row));

export const keepPartReading = (db: Db, reading: SitePartReading): void =>
  void db.insert(sitePartReadings).values(reading).run();
