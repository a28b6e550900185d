import { z } from 'zod';
import { recordId } from '~/schema/values/fields';
import { circuitInput, partInput } from './part';

/** What may stand for a part: one that is named, and what the drawers have. */
export const stockSwapInput = z.strictObject({
  original: partInput,
  candidate: partInput.nullable().default(null),
  circuit: circuitInput.default({}),
  /** The site that it is for: its own board gives nothing. */
  siteId: recordId.nullable().default(null),
});
export type StockSwapInput = z.infer<typeof stockSwapInput>;
