import { eq, sql } from 'drizzle-orm';
import type { PadStateId } from '~/core/record/padStates';
import { worstByPad } from '~/core/record/padFindings';
import { findingRecord, type FindingRecord, type NewFinding } from '~/schema/records/site/finding';
import { findings } from '~/schema/records/site/finding.table';
import { jobs } from '~/schema/records/jobs/job.table';
import { InputError } from '~/schema/values/faults';
import type { Db } from '../db';
import { ready } from '../ready';
import { asWritten } from '../order';
import { newId } from '../ids';
import { getPad, getSite } from './sites';

const ofBoard = ready((db) =>
  db
    .select()
    .from(findings)
    .where(eq(findings.boardId, sql.placeholder('boardId')))
    .orderBy(asWritten(findings))
    .prepare(),
);

export const findingsOf = (db: Db, boardId: string): FindingRecord[] =>
  ofBoard(db)
    .all({ boardId })
    .map((row) => findingRecord.parse(row));

/** What each pad is now: the worst of what is said of it, of the findings that still hold. */
export const padStatesOf = (db: Db, boardId: string): Map<string, PadStateId> =>
  worstByPad(findingsOf(db, boardId));

/** Appends a finding to its pad's history. The board and site are the pad's own. */
export function addFinding(db: Db, finding: NewFinding, now_ms: number, id = newId('fnd')): FindingRecord {
  return db.transaction(() => {
    const site = getSite(db, getPad(db, finding.padId).siteId);
    if (finding.otherPadId !== null) {
      const other = getSite(db, getPad(db, finding.otherPadId).siteId);
      if (other.boardId !== site.boardId) {
        throw new InputError([
          { path: '$.otherPadId', message: 'is a pad of another board; name one on this board' },
        ]);
      }
    }
    if (finding.jobId !== null) {
      const job = db.select({ boardId: jobs.boardId }).from(jobs).where(eq(jobs.id, finding.jobId)).get();
      if (job?.boardId !== site.boardId) {
        throw new InputError([{ path: '$.jobId', message: 'is not a job on this board; reload the page' }]);
      }
    }
    const record: FindingRecord = { ...finding, id, boardId: site.boardId, siteId: site.id, at_ms: now_ms };
    db.insert(findings).values(record).run();
    return record;
  });
}
