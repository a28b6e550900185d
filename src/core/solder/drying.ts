import { SOLVENT_VAPOUR, vapourPressure_Pa } from '~/core/materials/solvents';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import type { SurfacePackage } from '~/core/packages/surface';
import { kelvin } from '~/core/quantity/convert';

/** Gas constant, J/mol K (CODATA 2018). */
const GAS = 8.314462618;

/** Warm air that a technician dries with: hands and parts stand it (common practice). */
export const WARM_AIR_K = kelvin(45);

/** Wider gaps than this let go of what is blotted and blown; narrower ones hold it (a third of alcohol’s capillary length, assumed). */
const HOLDS_m = 0.5e-3;

/**
 * How long 2-propanol that fills the gap under a body takes to leave it by diffusion from the edges, s, in warm air; 0 where the
 * gap holds none. The wet front draws back from both long sides: t = ρ L² / (2 D c), c = p M / (R T) at its surface and
 * nothing at the edge (Stefan's tube, Bird, Stewart & Lightfoot §18.2, for a small vapour share).
 */
export function dryingUnder_s({ family, body }: SurfacePackage, air_K = WARM_AIR_K): number {
  if (SURFACE_TRAITS[family].gap.value > HOLDS_m) return 0;
  const pressure_Pa = vapourPressure_Pa('isopropyl-alcohol', air_K)!;
  const vapour_kg_m3 = (pressure_Pa * SOLVENT_VAPOUR.molarMass.value) / (GAS * air_K);
  const half_m = Math.min(body.length_m, body.width_m) / 2;
  return (SOLVENT_VAPOUR.density.value * half_m ** 2) / (2 * SOLVENT_VAPOUR.diffusivity.value * vapour_kg_m3);
}
