import { z } from 'zod';
import { PART_KINDS } from '~/core/electrical/parts/part';
import { initials, oneOf, text } from '~/schema/values/fields';

/** A part that is off and kept goes into a drawer. Its kind is asked only where its value does not tell. */
export const giveAwayInput = z.strictObject({
  drawer: text(1, 40),
  kind: oneOf(PART_KINDS).nullable().default(null),
  by: initials,
});
export type GiveAway = z.infer<typeof giveAwayInput>;
