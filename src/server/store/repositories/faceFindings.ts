import { and, eq } from 'drizzle-orm';
import {
  faceFindingRecord,
  type FaceFindingRecord,
  type NewFaceFinding,
} from '~/schema/records/board/faceFinding';
import { faceFindings } from '~/schema/records/board/faceFinding.table';
import type { Db } from '../db';
import { asWritten } from '../order';
import { InputError } from '~/schema/values/faults';
import { newId } from '../ids';
import { getBoard } from './boards';

export const faceFindingsOf = (db: Db, boardId: string): FaceFindingRecord[] =>
  db
    .select()
    .from(faceFindings)
    .where(eq(faceFindings.boardId, boardId))
    .orderBy(asWritten(faceFindings))
    .all()
    .map((row) => faceFindingRecord.parse(row));

/** Appends a finding on a face; one that follows another takes over its place. */
export function addFaceFinding(
  db: Db,
  boardId: string,
  given: NewFaceFinding,
  now_ms: number,
  id = newId('ffd'),
): FaceFindingRecord {
  return db.transaction(() => {
    const { construction } = getBoard(db, boardId);
    const off = given.points.findIndex(
      ({ x_mm, y_mm }) => x_mm > construction.length_mm || y_mm > construction.width_mm,
    );
    if (off >= 0) {
      throw new InputError([
        {
          path: `$.points[${off}]`,
          message: `is off the board; keep it within ${construction.length_mm} by ${construction.width_mm} mm`,
        },
      ]);
    }
    if (given.followsId !== null) {
      const earlier = db
        .select()
        .from(faceFindings)
        .where(and(eq(faceFindings.id, given.followsId), eq(faceFindings.boardId, boardId)))
        .get();
      if (!earlier)
        throw new InputError([
          { path: '$.followsId', message: 'is no finding on this board; reload the page' },
        ]);
    }
    const record: FaceFindingRecord = { ...given, id, boardId, at_ms: now_ms };
    db.insert(faceFindings).values(record).run();
    return record;
  });
}
