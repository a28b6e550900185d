import { z } from 'zod';
import { circuitInput, partInput } from './part';

/** What may stand for a part: one that is named, and what the drawers have. */
export const stockSwapInput = z.strictObject({
  original: partInput,
  candidate: partInput.nullable().default(null),
  circuit: circuitInput.default({}),
});
export type StockSwapInput = z.infer<typeof stockSwapInput>;
