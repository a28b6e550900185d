import type { FindingRecord, NewFinding } from '~/schema/records/site/finding';
import { InputError } from '~/schema/values/faults';
import { standingFindings } from '~/core/record/standingFindings';
import type { Db } from '~/server/store/db';
import { addFinding, findingsOf } from '~/server/store/repositories/findings';
import { recountFound } from '~/server/outcomes/keep';
import { restate } from './restate';

/** Appends the findings of one look, all or nothing, and says what their boards wait for now. */
export function recordFindings(db: Db, list: readonly NewFinding[], now_ms: number): FindingRecord[] {
  return db.transaction(() => {
    const made = list.map((finding) => {
      const record = addFinding(db, finding, now_ms);
      if (record.takesBackId !== null) refuseStranger(db, record);
      return record;
    });
    for (const finding of made) recountFound(db, finding);
    for (const boardId of new Set(made.map((finding) => finding.boardId))) restate(db, boardId);
    return made;
  });
}

/** Only a finding of the same pad that still holds is taken back. */
function refuseStranger(db: Db, { id, boardId, padId, takesBackId }: FindingRecord): void {
  const before = standingFindings(findingsOf(db, boardId).filter((f) => f.id !== id));
  if (before.some((f) => f.id === takesBackId && f.padId === padId)) return;
  throw new InputError([
    { path: '$.takesBackId', message: 'is no finding of this pad that still holds; reload the page' },
  ]);
}
