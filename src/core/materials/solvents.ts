import { celsius } from '~/core/quantity/convert';
import { property, type Property } from './property';

/** A liquid that boards are washed with: as it lies, and as vapour in air. */
export interface Liquid {
  readonly name: string;
  /** Antoine constants, log₁₀ P(mmHg) = a − b / (c + T(°C)), and where they hold, °C. */
  readonly antoine: {
    readonly a: number;
    readonly b: number;
    readonly c: number;
    readonly range_C: readonly [number, number];
  };
  readonly density: Property<'kg/m³'>;
  readonly molarMass: Property<'kg/mol'>;
  /** Heat that it takes to evaporate near the room's temperature. */
  readonly latentHeat: Property<'J/kg'>;
  /** Its vapour in air at 298 K and one atmosphere; it goes as T to the power 1.75 (Fuller, Schettler & Giddings 1966). */
  readonly diffusivity: Property<'m²/s'>;
}

/** Antoine constants are of Lange's Handbook, from memory. */
export const LIQUIDS = {
  '2-propanol': {
    name: '2-propanol',
    antoine: { a: 8.11778, b: 1580.92, c: 219.61, range_C: [0, 101] },
    density: property(785, 'kg/m³', [760, 790], 0.01, 'from-memory', 'Lange’s Handbook: 2-propanol at 20 °C'),
    molarMass: property(
      0.0601,
      'kg/mol',
      [0.0601, 0.0601],
      0.001,
      'from-memory',
      'sum of the atoms of C₃H₈O',
    ),
    latentHeat: property(
      755e3,
      'J/kg',
      [665e3, 770e3],
      0.03,
      'from-memory',
      'CRC Handbook: 45.4 kJ/mol at 25 °C, 39.9 at its boiling point',
    ),
    diffusivity: property(
      1.03e-5,
      'm²/s',
      [0.9e-5, 1.15e-5],
      0.07,
      'from-memory',
      'Lugg 1968: about 0.1 cm²/s at 25 °C; Fuller’s diffusion volumes give 0.103',
    ),
  },
  water: {
    name: 'water',
    antoine: { a: 8.07131, b: 1730.63, c: 233.426, range_C: [1, 100] },
    density: property(998, 'kg/m³', [958, 1000], 0.01, 'from-memory', 'steam tables: 20 °C'),
    molarMass: property(
      0.01802,
      'kg/mol',
      [0.01802, 0.01802],
      0.001,
      'from-memory',
      'sum of the atoms of H₂O',
    ),
    latentHeat: property(2.44e6, 'J/kg', [2.26e6, 2.5e6], 0.01, 'from-memory', 'steam tables: 25 °C'),
    diffusivity: property(
      2.6e-5,
      'm²/s',
      [2.4e-5, 2.7e-5],
      0.04,
      'from-memory',
      'Incropera table A.8: water vapour in air, 298 K',
    ),
  },
} as const satisfies Readonly<Record<string, Liquid>>;

export type LiquidId = keyof typeof LIQUIDS;
export const LIQUID_IDS = Object.keys(LIQUIDS) as [LiquidId, ...LiquidId[]];

const MMHG_Pa = 133.322;

/** Vapour pressure, Pa; temperatures outside the constants' range are refused with null. */
export function vapourPressure_Pa(liquid: LiquidId, temperature_K: number): number | null {
  const { a, b, c, range_C } = LIQUIDS[liquid].antoine;
  const at_C = celsius(temperature_K);
  if (at_C < range_C[0] || at_C > range_C[1]) return null;
  return MMHG_Pa * 10 ** (a - b / (c + at_C));
}

/** Fuller's exponent of temperature. */
const FULLER = 1.75;

/** Diffusivity of the vapour in air at one atmosphere, m²/s. */
export const vapourDiffusivity_m2_s = (liquid: LiquidId, temperature_K: number): number =>
  LIQUIDS[liquid].diffusivity.value * (temperature_K / 298.15) ** FULLER;
