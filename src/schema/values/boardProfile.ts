import { z } from 'zod';
import { quantity } from './fields';

const place_mm = quantity('mm', -50, 1050);

/** Edge of a board and what is drilled through it, seen from the top, on the board's own origin. */
export const boardProfile = z.strictObject({
  /** The edge as one closed line; null where no file draws it. */
  edge: z
    .array(z.tuple([place_mm, place_mm]))
    .min(3)
    .max(2000, { error: 'has more than 2000 points; draw the edge with fewer' })
    .nullable(),
  /** x, y and diameter of each hole, mm; of a slot the place of its other end behind them. */
  holes: z
    .array(
      z.union([
        z.tuple([place_mm, place_mm, quantity('mm', 0.05, 20)]),
        z.tuple([place_mm, place_mm, quantity('mm', 0.05, 20), place_mm, place_mm]),
      ]),
    )
    .max(20_000, { error: 'has more than 20,000 holes' }),
});
export type BoardProfile = z.infer<typeof boardProfile>;
