import { property } from './property';
import { celsius } from '~/core/quantity/convert';
/** Antoine constants, log₁₀ P(mmHg) = a − b / (c + T(°C)), and where they hold (Lange's Handbook, from memory). */
export const SOLVENTS = {
  'isopropyl-alcohol': { name: '2-propanol', a: 8.11778, b: 1580.92, c: 219.61, range_C: [0, 101] },
} as const;

export type SolventId = keyof typeof SOLVENTS;

const MMHG_Pa = 133.322;

/** Vapour pressure, Pa; temperatures outside the constants' range are refused with null. */
export function vapourPressure_Pa(solvent: SolventId, temperature_K: number): number | null {
  const { a, b, c, range_C } = SOLVENTS[solvent];
  const at_C = celsius(temperature_K);
  if (at_C < range_C[0] || at_C > range_C[1]) return null;
  return MMHG_Pa * 10 ** (a - b / (c + at_C));
}

/** 2-propanol as a liquid and as vapour in air. */
export const SOLVENT_VAPOUR = {
  density: property(785, 'kg/m³', [760, 790], 0.01, 'from-memory', 'Lange’s Handbook: 2-propanol at 20 °C'),
  molarMass: property(0.0601, 'kg/mol', [0.0601, 0.0601], 0.001, 'from-memory', 'sum of the atoms of C₃H₈O'),
  diffusivity: property(
    1.1e-5,
    'm²/s',
    [0.9e-5, 1.3e-5],
    0.15,
    'from-memory',
    'Lange’s Handbook: 2-propanol vapour in air, 25 to 45 °C',
  ),
} as const;
