import { z } from 'zod';
import { recordId, text, wholeNumber } from '~/schema/values/fields';

/** Sites that are worked or looked at together: a bank of memory, all capacitors of one value. */
export const newSiteGroup = z.strictObject({
  name: text(1, 60),
  siteIds: z
    .array(recordId)
    .min(1, { error: 'is empty; take at least one site' })
    .max(5000)
    .refine((ids) => new Set(ids).size === ids.length, { error: 'names a site twice' }),
});
export type NewSiteGroup = z.infer<typeof newSiteGroup>;

export const siteGroupRecord = newSiteGroup.extend({
  id: recordId,
  boardId: recordId,
  revision: wholeNumber(1, 1_000_000),
});
export type SiteGroupRecord = z.infer<typeof siteGroupRecord>;
