import { z } from 'zod';
import { RATED_PEAKS_C } from '~/core/packages/classification';
import { BAKE_C, MOISTURE_LEVELS } from '~/core/packages/moisture';
import { oneOf, quantity } from './fields';

/** What a moulded part's label and history say about the water in it. */
export const moistureInput = z.strictObject({
  level: oneOf(MOISTURE_LEVELS),
  /** Time out of the dry bag at no more than 30 °C and 60 % relative humidity. */
  outOfBag_h: quantity('h', 0, 100_000),
  bake_C: z.literal(BAKE_C).default(125),
  /** Peak its level was tested to, as the same label gives it; left out, it is not known. */
  rated_C: z.literal(RATED_PEAKS_C).optional(),
});
export type MoistureInput = z.infer<typeof moistureInput>;
