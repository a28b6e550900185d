import type { MeltingNode } from './network';

/** Phase of a solder lump; on each the enthalpy is a straight line in temperature. */
export const SOLID = 0;
export const MUSHY = 1;
export const LIQUID = 2;
export type Melt = typeof SOLID | typeof MUSHY | typeof LIQUID;

/**
 * Enthalpy of one lump, `offset[phase] + slope[phase] · T`, J. Solidus and liquidus of a eutectic
 * coincide; `smear_K` keeps the line invertible there.
 */
export interface EnthalpyCurve {
  readonly solidus_K: number;
  readonly liquidus_K: number;
  readonly slope: readonly [number, number, number];
  readonly offset: readonly [number, number, number];
  readonly liquidus_J: number;
  readonly solidus_J: number;
  /** At the temperature that somebody waits for; its liquidus where nobody does. */
  readonly noted_J: number;
}

export function enthalpyCurve(lump: MeltingNode, smear_K: number): EnthalpyCurve {
  const solidus_K = lump.solidus_K;
  const liquidus_K = Math.max(lump.liquidus_K, solidus_K + smear_K);
  const span_K = liquidus_K - solidus_K;
  const cs = lump.capacitySolid_J_K;
  const cl = lump.capacityLiquid_J_K;
  const mushy = lump.latent_J / span_K + (cs + cl) / 2;
  const solidus_J = cs * solidus_K;
  const liquidus_J = solidus_J + mushy * span_K;
  return {
    solidus_K,
    liquidus_K,
    slope: [cs, mushy, cl],
    offset: [0, solidus_J - mushy * solidus_K, liquidus_J - cl * liquidus_K],
    solidus_J,
    liquidus_J,
    noted_J: liquidus_J + cl * Math.max(0, (lump.noted_K ?? liquidus_K) - liquidus_K),
  };
}

export function meltAt(curve: EnthalpyCurve, temperature_K: number): Melt {
  if (temperature_K <= curve.solidus_K) return SOLID;
  return temperature_K < curve.liquidus_K ? MUSHY : LIQUID;
}

/** The same, from the enthalpy. */
export function meltOfHeat(curve: EnthalpyCurve, enthalpy_J: number): Melt {
  if (enthalpy_J <= curve.solidus_J) return SOLID;
  return enthalpy_J < curve.liquidus_J ? MUSHY : LIQUID;
}

/** Share of the lump that is liquid, 0 to 1. */
export function liquidShare(curve: EnthalpyCurve, temperature_K: number): number {
  const share = (temperature_K - curve.solidus_K) / (curve.liquidus_K - curve.solidus_K);
  return Math.min(1, Math.max(0, share));
}

/** The same, from the enthalpy. */
export function liquidShareOfHeat({ solidus_J, liquidus_J }: EnthalpyCurve, enthalpy_J: number): number {
  return Math.min(1, Math.max(0, (enthalpy_J - solidus_J) / (liquidus_J - solidus_J)));
}
