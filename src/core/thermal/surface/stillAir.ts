import { airAt } from '~/core/materials/airTable';

export const STEFAN_BOLTZMANN_W_m2K4 = 5.670374e-8;
export const GRAVITY_m_s2 = 9.80665;

export type Facing = 'up' | 'down';

/**
 * Mean film of natural convection on a horizontal plate warmer than the air, W/m²K.
 * Facing up: Nu = 0.54 Ra^¼ (1e4 to 1e7), 0.15 Ra^⅓ above; facing down: Nu = 0.52 Ra^⅕ (1e4 to 1e9).
 * `length_m` is area over perimeter. A plate cooler than the air takes the opposite correlation.
 * Below Ra 1e4 both are carried on down to Nu 1, conduction (assumed).
 * Source: Incropera ch. 9, eq. 9.30 to 9.32, film properties at the mean temperature.
 */
export function naturalFilm_W_m2K(
  facing: Facing,
  surface_K: number,
  air_K: number,
  length_m: number,
): number {
  const difference_K = surface_K - air_K;
  const mean_K = (surface_K + air_K) / 2;
  const air = airAt(mean_K);
  const kinematic = air.viscosity_Pa_s / air.density_kg_m3;
  const rayleigh =
    ((GRAVITY_m_s2 / mean_K) * Math.abs(difference_K) * length_m ** 3 * air.prandtl) / kinematic ** 2;
  const rises = (facing === 'up') === difference_K >= 0;
  const nusselt = rises
    ? rayleigh > 1e7
      ? 0.15 * Math.cbrt(rayleigh)
      : 0.54 * rayleigh ** 0.25
    : 0.52 * rayleigh ** 0.2;
  return (Math.max(1, nusselt) * air.conductivity_W_mK) / length_m;
}

/** Grey radiation to large surroundings as a film: ε σ (T² + Tₐ²)(T + Tₐ) (Incropera eq. 1.9). */
export const radiantFilm_W_m2K = (emissivity: number, surface_K: number, around_K: number): number =>
  emissivity * STEFAN_BOLTZMANN_W_m2K4 * (surface_K ** 2 + around_K ** 2) * (surface_K + around_K);

/** Exchange between two parallel grey plates, as the emissivity of a pair: 1/(1/ε₁ + 1/ε₂ − 1) (Incropera eq. 13.19). */
export const pairEmissivity = (a: number, b: number): number => 1 / (1 / a + 1 / b - 1);
