import { eq, inArray, or } from 'drizzle-orm';
import { findings } from '~/schema/records/site/finding.table';
import { jobs } from '~/schema/records/jobs/job.table';
import { pads } from '~/schema/records/site/pad.table';
import { continuityReadings } from '~/schema/records/site/continuityReading.table';
import { sites } from '~/schema/records/site/site.table';
import type { Db } from '../db';

/** SQLite takes so many values in one statement with room to spare. */
export const CHUNK = 500;

/** References of the sites that a job, a finding or a reading names: what the record must keep. */
export function sitesInUse(db: Db, siteIds: readonly string[]): string[] {
  const used = new Set<string>();
  for (let i = 0; i < siteIds.length; i += CHUNK) {
    const some = siteIds.slice(i, i + CHUNK);
    const inJobs = db.select({ siteId: jobs.siteId }).from(jobs).where(inArray(jobs.siteId, some)).all();
    const found = db
      .select({ siteId: findings.siteId })
      .from(findings)
      .where(inArray(findings.siteId, some))
      .all();
    // A bridge found on another site may name a pad of this one.
    const named = db
      .select({ siteId: pads.siteId })
      .from(findings)
      .innerJoin(pads, eq(pads.id, findings.otherPadId))
      .where(inArray(pads.siteId, some))
      .all();
    const read = db
      .select({ siteId: pads.siteId })
      .from(continuityReadings)
      .innerJoin(pads, or(eq(pads.id, continuityReadings.padId), eq(pads.id, continuityReadings.otherPadId)))
      .where(inArray(pads.siteId, some))
      .all();
    for (const { siteId } of [...inJobs, ...found, ...named, ...read]) used.add(siteId);
  }
  if (used.size === 0) return [];
  return db
    .select({ ref: sites.ref })
    .from(sites)
    .where(inArray(sites.id, [...used].slice(0, CHUNK)))
    .all()
    .map((site) => site.ref)
    .sort();
}
