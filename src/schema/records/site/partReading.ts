import { z } from 'zod';
import { partInput, readingInput } from '~/schema/exchange/parts/part';
import { partReading } from '~/schema/records/parts/stockPart';
import { initials, recordId } from '~/schema/values/fields';

/** What a meter read of the part on a site, and what that part is taken for. */
export const newSitePartReading = z.strictObject({ part: partInput, reading: readingInput, by: initials });

/** A reading of the part that stands on a site, with what it was judged. Appended, never changed. */
export const sitePartReading = partReading
  .omit({ partId: true })
  .extend({ siteId: recordId, part: partInput });
export type SitePartReading = z.infer<typeof sitePartReading>;
