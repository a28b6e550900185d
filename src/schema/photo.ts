import { z } from 'zod';
import { boardSide, initials, quantity, recordId, text, whenever_ms, wholeNumber } from './fields';

/** Two points of a picture with their places on the board: what lays a photo under the face. */
const tie = z.strictObject({
  /** Pixels from the picture's top left. */
  px: quantity('px', 0, 20_000),
  py: quantity('px', 0, 20_000),
  x_mm: quantity('mm', 0, 1000),
  y_mm: quantity('mm', 0, 1000),
});

export const calibration = z
  .strictObject({ a: tie, b: tie })
  .refine(({ a, b }) => Math.hypot(a.px - b.px, a.py - b.py) >= 20, {
    error: 'is less than 20 pixels from point a; choose two points far apart',
    path: ['b', 'px'],
  })
  .refine(({ a, b }) => Math.hypot(a.x_mm - b.x_mm, a.y_mm - b.y_mm) >= 1, {
    error: 'is less than a millimetre from point a on the board; choose two places far apart',
    path: ['b', 'x_mm'],
  });
export type Calibration = z.infer<typeof calibration>;

/** What goes with a picture when it is sent. It shows a face, or it goes with a finding. */
export const newPhoto = z.strictObject({
  side: boardSide.nullable().default(null),
  findingId: recordId.nullable().default(null),
  faceFindingId: recordId.nullable().default(null),
  caption: text(0, 200).default(''),
  by: initials,
});
export type NewPhoto = z.infer<typeof newPhoto>;

/** A photo in the record, without its picture. */
export const photoRecord = newPhoto.extend({
  id: recordId,
  boardId: recordId,
  width_px: wholeNumber(1, 20_000),
  height_px: wholeNumber(1, 20_000),
  calibration: calibration.nullable(),
  at_ms: whenever_ms,
  revision: wholeNumber(1, 1_000_000),
});
export type PhotoRecord = z.infer<typeof photoRecord>;

/** Laying a photo under the face, or taking it up again. */
export const photoChange = z.strictObject({
  revision: wholeNumber(1, 1_000_000),
  calibration: calibration.nullable(),
});
