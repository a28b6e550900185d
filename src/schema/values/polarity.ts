import { z } from 'zod';
import { BOARD_MARK_IDS, PART_MARK_IDS, type Polarity } from '~/core/packages/polarity';
import { oneOf } from './fields';

/** A pad of two; a sign that names none is half told. */
const pad = (end: string) =>
  z
    .string()
    .min(1, { error: `is not chosen; say at which pad ${end}` })
    .max(8, { error: 'is no pad of two' });

/** The sign of a part with two poles: its own mark and the board's, kept apart. */
export const polarity = z.strictObject({
  part: oneOf(PART_MARK_IDS),
  plusPad: pad('plus, or a diode’s anode, is'),
  board: z.strictObject({ mark: oneOf(BOARD_MARK_IDS), pad: pad('the board prints it') }).nullable(),
}) satisfies z.ZodType<Polarity>;
