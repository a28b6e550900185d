import { z } from 'zod';
import { quantity } from './fields';

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
