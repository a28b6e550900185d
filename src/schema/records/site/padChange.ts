import { z } from 'zod';
import { connection } from '~/schema/values/connection';
import { recordId, text } from '~/schema/values/fields';

/** Nets and copper of some pads of a site, against the revision of the site they were read at. */
export const padChanges = z.strictObject({
  revision: z.int({ error: 'must be the revision of the site that was read' }).min(1),
  pads: z
    .array(z.strictObject({ id: recordId, net: text(0, 40), connections: z.array(connection).max(16) }))
    .min(1, { error: 'is empty; name at least one pad' })
    .max(1024),
});
export type PadChanges = z.infer<typeof padChanges>;
