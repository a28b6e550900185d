import { airAt } from '~/core/materials/airTable';
import { property } from '~/core/materials/property';
import { radiantFilm_W_m2K } from '~/core/thermal/surface/stillAir';
import { resistivity_Ohm_m } from './wire';

const GRAVITY_m_s2 = 9.80665;

/** Enamel, plastic sleeve or oxide; a bright bare wire radiates far less. */
export const WIRE_EMISSIVITY = property(
  0.8,
  '',
  [0.5, 0.95],
  0.15,
  'from-memory',
  'organic films and paints 0.8 to 0.95; Incropera table A.11 has Teflon 0.85',
);

/**
 * Mean film of natural convection about a long horizontal cylinder, W/m²K (Churchill & Chu 1975; Incropera
 * eq. 9.34, Ra up to 1e12).
 */
export function cylinderFilm_W_m2K(diameter_m: number, surface_K: number, air_K: number): number {
  const mean_K = (surface_K + air_K) / 2;
  const air = airAt(mean_K);
  const kinematic = air.viscosity_Pa_s / air.density_kg_m3;
  const rayleigh =
    ((GRAVITY_m_s2 / mean_K) * Math.abs(surface_K - air_K) * diameter_m ** 3 * air.prandtl) / kinematic ** 2;
  const nusselt =
    (0.6 + (0.387 * rayleigh ** (1 / 6)) / (1 + (0.559 / air.prandtl) ** (9 / 16)) ** (8 / 27)) ** 2;
  return (nusselt * air.conductivity_W_mK) / diameter_m;
}

/**
 * Current that keeps a wire in still air `rise_K` above it, A: I²ρ/A = π d h ΔT with the cylinder's film and
 * radiation. The wire counts as bare copper; a thin sleeve on a fine wire sheds a little more.
 */
export function wireCurrent_A(diameter_m: number, rise_K: number, air_K: number): number {
  const wire_K = air_K + rise_K;
  const film =
    cylinderFilm_W_m2K(diameter_m, wire_K, air_K) + radiantFilm_W_m2K(WIRE_EMISSIVITY.value, wire_K, air_K);
  const lost_W_m = Math.PI * diameter_m * film * rise_K;
  return Math.sqrt((lost_W_m * (Math.PI / 4) * diameter_m ** 2) / resistivity_Ohm_m(wire_K));
}
