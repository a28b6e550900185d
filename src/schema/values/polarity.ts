import { z } from 'zod';
import { BOARD_MARK_IDS, PART_MARK_IDS, type Polarity } from '~/core/packages/polarity';
import { oneOf, text } from './fields';

/** The sign of a part with two poles: its own mark and the board's, kept apart. */
export const polarity = z.strictObject({
  part: oneOf(PART_MARK_IDS),
  plusPad: text(1, 8),
  board: z.strictObject({ mark: oneOf(BOARD_MARK_IDS), pad: text(1, 8) }).nullable(),
}) satisfies z.ZodType<Polarity>;
