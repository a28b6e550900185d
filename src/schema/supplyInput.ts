import { z } from 'zod';
import { ALLOY_IDS } from '../core/materials/alloys';
import type { Supply } from '../core/method/bench';
import { metres } from '../core/quantity/convert';
import { oneOf, quantity, text } from './fields';

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
      left_mm: quantity('mm', 0, 1e6).optional(),
    }),
    z.strictObject({
      kind: z.literal('braid'),
      ...who,
      width_mm: quantity('mm', 0.5, 8),
      left_mm: quantity('mm', 0, 1e6).optional(),
    }),
    z.strictObject({
      kind: z.literal('low-melt'),
      ...who,
      ...soldered,
      left_g: quantity('g', 0, 1e5).optional(),
    }),
    z.strictObject({
      kind: z.literal('paste'),
      ...who,
      ...soldered,
      left_g: quantity('g', 0, 1e5).optional(),
    }),
    z.strictObject({ kind: z.literal('flux'), ...who, left_mL: quantity('mL', 0, 1e5).optional() }),
    z.strictObject({ kind: z.literal('solvent'), ...who, left_mL: quantity('mL', 0, 1e6).optional() }),
    z.strictObject({ kind: z.literal('foil'), ...who, left_cm2: quantity('cm²', 0, 1e6).optional() }),
    z.strictObject({ kind: z.literal('tape'), ...who, left_cm2: quantity('cm²', 0, 1e6).optional() }),
  ],
  { error: 'kind must be one of wire, braid, low-melt, paste, flux, solvent, foil, tape' },
);
export type SupplyInput = z.infer<typeof supplyInput>;

export const SUPPLY_NAMES: Readonly<Record<Supply['kind'], string>> = {
  wire: 'Solder wire',
  braid: 'Braid',
  'low-melt': 'Low-melt alloy',
  paste: 'Solder paste',
  flux: 'Flux',
  solvent: 'Solvent',
  foil: 'Foil',
  tape: 'Tape',
};

/** A supply in SI; one without an id is numbered. */
export function supplyOf(s: SupplyInput, index: number): Supply {
  const is = { id: s.id ?? `${s.kind}-${index + 1}`, name: s.name ?? SUPPLY_NAMES[s.kind] };
  const scaled = (value: number | undefined, by: number): number | null =>
    value === undefined ? null : value * by;
  switch (s.kind) {
    case 'wire':
      return {
        kind: s.kind,
        ...is,
        alloy: s.alloy,
        diameter_m: metres(s.diameter_mm),
        left_m: scaled(s.left_mm, 1e-3),
      };
    case 'braid':
      return { kind: s.kind, ...is, width_m: metres(s.width_mm), left_m: scaled(s.left_mm, 1e-3) };
    case 'low-melt':
    case 'paste':
      return { kind: s.kind, ...is, alloy: s.alloy, left_kg: scaled(s.left_g, 1e-3) };
    case 'flux':
    case 'solvent':
      return { kind: s.kind, ...is, left_m3: scaled(s.left_mL, 1e-6) };
    case 'foil':
    case 'tape':
      return { kind: s.kind, ...is, left_m2: scaled(s.left_cm2, 1e-4) };
  }
}
