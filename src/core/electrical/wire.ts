/** Bare copper wire and tracks as conductors: gauge, resistance and the current they carry. */

/** Diameter of American wire gauge n, m: 0.127 mm × 92^((36 − n)/39) (ASTM B258). */
export const gaugeDiameter_m = (gauge: number): number => 0.127e-3 * 92 ** ((36 - gauge) / 39);

/** Annealed copper at 20 °C, Ω m, and how it rises, 1/K (IEC 60028). */
export const COPPER_RESISTIVITY_Ohm_m = 1.7241e-8;
const COPPER_COEFFICIENT_1_K = 3.93e-3;

export const resistivity_Ohm_m = (temperature_K: number): number =>
  COPPER_RESISTIVITY_Ohm_m * (1 + COPPER_COEFFICIENT_1_K * (temperature_K - 293.15));

export const wireResistance_Ohm = (length_m: number, diameter_m: number, temperature_K: number): number =>
  (resistivity_Ohm_m(temperature_K) * length_m) / ((Math.PI / 4) * diameter_m ** 2);

const MIL_m = 25.4e-6;

/**
 * Current that warms a track by `rise_K`, A: I = k ΔT^0.44 A^0.725 with the section in square mils, k 0.048
 * on a face and 0.024 inside (IPC-2221 §6.2). Fitted for rises of 10 to 100 K and up to 35 A.
 */
export function trackCurrent_A(
  width_m: number,
  thickness_m: number,
  rise_K: number,
  place: 'outer' | 'inner',
): number {
  const section_sqmil = (width_m * thickness_m) / MIL_m ** 2;
  return (place === 'outer' ? 0.048 : 0.024) * rise_K ** 0.44 * section_sqmil ** 0.725;
}
