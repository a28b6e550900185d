import { z } from 'zod';
import { boardSide, initials, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';
import { calibration } from '~/schema/values/calibration';

/** What goes with a picture when it is sent. It shows a face, or it goes with a finding. */
export const newPhoto = z.strictObject({
  side: boardSide.nullable().default(null),
  findingId: recordId.nullable().default(null),
  faceFindingId: recordId.nullable().default(null),
  caption: text(0, 200).default(''),
  by: initials,
});
export type NewPhoto = z.infer<typeof newPhoto>;

const takenAway = z.strictObject({ by: initials, at_ms: whenever_ms, reason: text(1, 200) });
export type TakenAway = z.infer<typeof takenAway>;

/** A photo in the record, without its picture. */
export const photoRecord = newPhoto.extend({
  id: recordId,
  boardId: recordId,
  width_px: wholeNumber(1, 20_000),
  height_px: wholeNumber(1, 20_000),
  calibration: calibration.nullable(),
  /** Its picture is gone, and who took it away; null while it is there. */
  takenAway: takenAway.nullable(),
  at_ms: whenever_ms,
  revision: wholeNumber(1, 1_000_000),
});
export type PhotoRecord = z.infer<typeof photoRecord>;

/** Laying a photo under the face, or taking it up again. */
export const photoChange = z.strictObject({
  revision: wholeNumber(1, 1_000_000),
  calibration: calibration.nullable(),
});

/** Taking a picture away for good: someone's face, a customer's papers. That there was one stays in the record. */
export const photoTakeAway = z.strictObject({
  revision: wholeNumber(1, 1_000_000),
  by: initials,
  reason: text(1, 200),
});
export type PhotoTakeAway = z.infer<typeof photoTakeAway>;
