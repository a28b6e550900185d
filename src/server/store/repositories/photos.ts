import { and, eq, isNull, sql } from 'drizzle-orm';
import {
  photoRecord,
  type NewPhoto,
  type PhotoRecord,
  type PhotoTakeAway,
} from '~/schema/records/board/photo';
import type { Calibration } from '~/schema/values/calibration';
import { photos } from '~/schema/records/board/photo.table';
import type { Db } from '../db';
import { asWritten } from '../order';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

const { picture: _picture, ...COLUMNS } = {
  id: photos.id,
  boardId: photos.boardId,
  side: photos.side,
  findingId: photos.findingId,
  faceFindingId: photos.faceFindingId,
  caption: photos.caption,
  by: photos.by,
  width_px: photos.width_px,
  height_px: photos.height_px,
  calibration: photos.calibration,
  takenAway: photos.takenAway,
  at_ms: photos.at_ms,
  revision: photos.revision,
  picture: photos.picture,
};

export const photosOf = (db: Db, boardId: string): PhotoRecord[] =>
  db
    .select(COLUMNS)
    .from(photos)
    .where(eq(photos.boardId, boardId))
    .orderBy(asWritten(photos))
    .all()
    .map((row) => photoRecord.parse(row));

export function pictureOf(db: Db, boardId: string, id: string): Buffer {
  const row = db
    .select({ picture: photos.picture })
    .from(photos)
    .where(and(eq(photos.id, id), eq(photos.boardId, boardId), isNull(photos.takenAway)))
    .get();
  if (!row) throw new NotFound('photo', id);
  return row.picture;
}

export function addPhoto(
  db: Db,
  boardId: string,
  given: NewPhoto,
  picture: { readonly data: Buffer; readonly width_px: number; readonly height_px: number },
  now_ms: number,
  id = newId('pho'),
): PhotoRecord {
  const { data, width_px, height_px } = picture;
  const record: PhotoRecord = {
    ...given,
    id,
    boardId,
    width_px,
    height_px,
    calibration: null,
    takenAway: null,
    at_ms: now_ms,
    revision: 1,
  };
  db.insert(photos)
    .values({ ...record, picture: data })
    .run();
  return record;
}

/** Lays a photo under the face by two of its points, or takes it up; refused when another screen did so meanwhile. */
export function calibratePhoto(
  db: Db,
  boardId: string,
  id: string,
  change: { readonly revision: number; readonly calibration: Calibration | null },
): PhotoRecord {
  return db.transaction((tx) => {
    const now = standing(db, boardId, id, change.revision);
    tx.update(photos)
      .set({ calibration: change.calibration, revision: sql`${photos.revision} + 1` })
      .where(eq(photos.id, id))
      .run();
    return { ...now, calibration: change.calibration, revision: now.revision + 1 };
  });
}

/** Takes a picture away: its bytes are overwritten, the entry stays with who did it and why. */
export function takePhotoAway(
  db: Db,
  boardId: string,
  id: string,
  { revision, by, reason }: PhotoTakeAway,
  now_ms: number,
): PhotoRecord {
  return db.transaction(() => {
    const now = standing(db, boardId, id, revision);
    const change = { calibration: null, takenAway: { by, reason, at_ms: now_ms }, revision: revision + 1 };
    db.update(photos)
      .set({ ...change, picture: Buffer.alloc(0) })
      .where(eq(photos.id, id))
      .run();
    return { ...now, ...change };
  });
}

/** A photo as it was read; refused where another screen has changed it, or its picture is gone. */
function standing(db: Db, boardId: string, id: string, revision: number): PhotoRecord {
  const now = photosOf(db, boardId).find((photo) => photo.id === id);
  if (!now) throw new NotFound('photo', id);
  if (now.revision === revision && !now.takenAway) return now;
  throw new Conflict(
    now.takenAway
      ? `the picture was taken away by ${now.takenAway.by}: ${now.takenAway.reason}`
      : 'this photo was laid on another screen meanwhile; look at it, then lay it again',
    now,
  );
}
