import { z } from 'zod';
import { ALLOY_IDS } from '~/core/materials/alloys';
import { connection } from '~/schema/values/connection';
import { boardSide, oneOf, quantity, recordId, text } from '~/schema/values/fields';
import { polarity } from '~/schema/values/polarity';
import { anyPackage } from '~/schema/values/package';

const reference = text(1, 16).regex(/^[A-Za-z][A-Za-z0-9_.+-]*$/, {
  error: 'must begin with a letter, then letters and digits only, such as C7',
});

/** A place on a board where a part sits, as a person enters it. */
export const newSite = z.strictObject({
  ref: reference,
  value: text(0, 60).default(''),
  side: boardSide,
  x_mm: quantity('mm', 0, 1000),
  y_mm: quantity('mm', 0, 1000),
  rotation_deg: quantity('°', -360, 360).default(0),
  alloy: oneOf(ALLOY_IDS),
  package: anyPackage,
  /** Leads bent over on the solder side. */
  clinched: z.boolean().default(false),
  /** The sign of a part with two poles; null: nobody told. */
  polarity: polarity.nullable().default(null),
  pads: z
    .array(
      z.strictObject({
        name: text(1, 8),
        net: text(0, 40).default(''),
        connections: z.array(connection).max(16),
      }),
    )
    .min(1, { error: 'is empty; a site has at least one pad' })
    .max(1024),
});
export type NewSite = z.infer<typeof newSite>;

export const siteRecord = newSite.omit({ pads: true }).extend({
  id: recordId,
  boardId: recordId,
  revision: z.int().min(1),
});
export type SiteRecord = z.infer<typeof siteRecord>;

/** A correction of where a part stands or what it is, against the revision it was read at; its pads stay. */
export const siteChange = newSite.omit({ pads: true }).extend({ revision: z.int().min(1) });
export type SiteChange = z.infer<typeof siteChange>;
