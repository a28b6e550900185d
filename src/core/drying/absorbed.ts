import { SOAKED } from '~/core/materials/absorbed';
import { GAS_J_molK } from './vapour';

export type SoakedId = keyof typeof SOAKED;

export const waterDiffusivity_m2_s = (of: SoakedId, temperature_K: number): number =>
  SOAKED[of].before.value * Math.exp(-SOAKED[of].activation.value / (GAS_J_molK * temperature_K));

/** So many terms of the series are summed; for times past a hundredth of the sheet's own a handful is enough. */
const TERMS = 60;

/** Share of the water that is still in a sheet dried from both faces after a time (Crank, The Mathematics of Diffusion, eq. 4.18). */
export function leftIn(thickness_m: number, diffusivity_m2_s: number, time_s: number): number {
  const own = (diffusivity_m2_s * time_s) / thickness_m ** 2;
  let left = 0;
  for (let k = 0; k < TERMS; k++) {
    const n = (2 * k + 1) * Math.PI;
    left += (8 / n ** 2) * Math.exp(-(n ** 2) * own);
  }
  return Math.min(1, left);
}

/** How long a sheet is dried from both faces until this share of its water is left, s. */
export function bake_s(of: SoakedId, thickness_m: number, temperature_K: number, left: number): number {
  const diffusivity_m2_s = waterDiffusivity_m2_s(of, temperature_K);
  const own_s = thickness_m ** 2 / diffusivity_m2_s;
  let [low, high] = [0, 3 * own_s];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (leftIn(thickness_m, diffusivity_m2_s, middle) > left) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
