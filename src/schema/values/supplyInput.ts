import { z } from 'zod';
import { ALLOY_IDS } from '~/core/materials/alloys';
import { oneOf, quantity, text } from './fields';

/** No shelf holds more of anything, in any of the units; stock moves stop short of it. */
export const MOST_LEFT = 1e9;

/** What a bench has of something that is used up; what is left may be left out where nobody counts it. */
const who = { id: text(1, 64).optional(), name: text(1, 80).optional() };
const soldered = { alloy: oneOf(ALLOY_IDS) };

export const supplyInput = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('wire'),
      ...who,
      ...soldered,
      diameter_mm: quantity('mm', 0.2, 3),
      left_mm: quantity('mm', 0, MOST_LEFT).optional(),
    }),
    z.strictObject({
      kind: z.literal('braid'),
      ...who,
      width_mm: quantity('mm', 0.5, 8),
      left_mm: quantity('mm', 0, MOST_LEFT).optional(),
    }),
    z.strictObject({
      kind: z.literal('low-melt'),
      ...who,
      ...soldered,
      left_g: quantity('g', 0, MOST_LEFT).optional(),
    }),
    z.strictObject({
      kind: z.literal('paste'),
      ...who,
      ...soldered,
      left_g: quantity('g', 0, MOST_LEFT).optional(),
    }),
    z.strictObject({ kind: z.literal('flux'), ...who, left_mL: quantity('mL', 0, MOST_LEFT).optional() }),
    z.strictObject({ kind: z.literal('solvent'), ...who, left_mL: quantity('mL', 0, MOST_LEFT).optional() }),
    z.strictObject({ kind: z.literal('foil'), ...who, left_cm2: quantity('cm²', 0, MOST_LEFT).optional() }),
    z.strictObject({ kind: z.literal('tape'), ...who, left_cm2: quantity('cm²', 0, MOST_LEFT).optional() }),
  ],
  { error: 'kind must be one of wire, braid, low-melt, paste, flux, solvent, foil, tape' },
);
export type SupplyInput = z.infer<typeof supplyInput>;
