import { ALLOYS, COMPOSITIONS, type AlloyId, type Composition, type Element } from '~/core/materials/alloys';
import { EUTECTICS, LIQUIDUS_SLOPE, MIXTURE } from '~/core/materials/mixtures';

export interface MeltingRange {
  readonly solidus_K: number;
  readonly liquidus_K: number;
}

export interface Mixture extends MeltingRange {
  readonly composition: Composition;
  /** One standard deviation of the liquidus, K. */
  readonly uncertainty_K: number;
  /** Bismuth and lead together leave a phase that melts near 96 °C. */
  readonly bismuthWithLead: boolean;
}

export interface Portion {
  readonly alloy: AlloyId;
  readonly mass_kg: number;
}

/** Composition of solders melted into one another, shares of the whole mass. */
export function mixed(portions: readonly Portion[]): Composition {
  const total_kg = portions.reduce((sum, p) => sum + p.mass_kg, 0);
  const shares: Partial<Record<Element, number>> = {};
  for (const { alloy, mass_kg } of portions) {
    for (const [element, share] of Object.entries(COMPOSITIONS[alloy]) as [Element, number][]) {
      shares[element] = (shares[element] ?? 0) + (share * mass_kg) / total_kg;
    }
  }
  return shares;
}

/**
 * Melting range of a mixture. One alloy alone has its own. Else the liquidus falls from pure tin's by each
 * solute's share times its slope (the tin-rich sides of the binary diagrams, taken to add), never below the
 * deepest eutectic its elements can make; the last liquid freezes at that eutectic. Additive slopes were
 * within 12 K of the listed alloys; for mixtures twice that is taken as one standard deviation.
 */
export function mixture(portions: readonly Portion[]): Mixture {
  const present = portions.filter((p) => p.mass_kg > 0);
  const composition = mixed(present);
  const bismuthWithLead = has(composition, 'Bi') && has(composition, 'Pb');
  const only = present[0]!.alloy;
  if (present.every((p) => p.alloy === only)) {
    const { solidus, liquidus } = ALLOYS[only];
    return {
      composition,
      solidus_K: solidus.value,
      liquidus_K: liquidus.value,
      uncertainty_K: 2,
      bismuthWithLead,
    };
  }
  const solidus_K = Math.min(
    ...EUTECTICS.filter((e) => e.elements.every((element) => has(composition, element))).map(
      (e) => e.melts.value,
    ),
  );
  const fall_K = (Object.entries(composition) as [Element, number][]).reduce(
    (sum, [element, share]) => sum + (element === 'Sn' ? 0 : 100 * share * LIQUIDUS_SLOPE[element].value),
    0,
  );
  return {
    composition,
    solidus_K,
    liquidus_K: Math.max(solidus_K, MIXTURE.tin.value - fall_K),
    uncertainty_K: MIXTURE.liquidusSpread.value,
    bismuthWithLead,
  };
}

/** A trace does not make a phase of its own. */
const has = (composition: Composition, element: Element): boolean =>
  (composition[element] ?? 0) >= MIXTURE.trace.value;
