import { z } from 'zod';
import { connection } from '~/schema/values/connection';
import { recordId, text } from '~/schema/values/fields';

/** One land of a site: its net and how it reaches copper. Its state is the last finding on it. */
export const padRecord = z.strictObject({
  id: recordId,
  siteId: recordId,
  name: text(1, 8),
  net: text(0, 40),
  connections: z.array(connection).max(16),
});
export type PadRecord = z.infer<typeof padRecord>;
