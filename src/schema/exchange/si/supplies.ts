import type { Supply } from '~/core/method/bench';
import { metres } from '~/core/quantity/convert';
import type { SupplyInput } from '~/schema/values/supplyInput';

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
