import { z } from 'zod';
import { ALLOY_IDS } from '~/core/materials/alloys';
import type { Supply } from '~/core/method/bench';
import { oneOf, quantity } from './fields';

/** What a supply is; what is left of it stands in its moves. */
export const supplySpec = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('wire'),
      alloy: oneOf(ALLOY_IDS),
      diameter_mm: quantity('mm', 0.2, 3),
    }),
    z.strictObject({ kind: z.literal('braid'), width_mm: quantity('mm', 0.5, 8) }),
    z.strictObject({ kind: z.literal('low-melt'), alloy: oneOf(ALLOY_IDS) }),
    z.strictObject({ kind: z.literal('paste'), alloy: oneOf(ALLOY_IDS) }),
    z.strictObject({ kind: z.literal('flux') }),
    z.strictObject({ kind: z.literal('solvent') }),
    z.strictObject({ kind: z.literal('foil') }),
    z.strictObject({ kind: z.literal('tape') }),
  ],
  { error: 'kind must be one of wire, braid, low-melt, paste, flux, solvent, foil, tape' },
);
export type SupplySpec = z.infer<typeof supplySpec>;

/** Unit that a kind of supply is counted in. */
export const SUPPLY_UNITS: Readonly<Record<Supply['kind'], 'mm' | 'g' | 'mL' | 'cm²'>> = {
  wire: 'mm',
  braid: 'mm',
  'low-melt': 'g',
  paste: 'g',
  flux: 'mL',
  solvent: 'mL',
  foil: 'cm²',
  tape: 'cm²',
};

export const MOVE_REASONS = ['counted', 'bought', 'used', 'thrown'] as const;
