import { COMPOSITIONS, type AlloyId } from '~/core/materials/alloys';

/**
 * Whether solders that meet in a joint bring bismuth and lead together: they leave a phase that melts near 96 °C
 * (the Bi–Pb–Sn eutectic, handbooks of phase diagrams, from memory).
 */
export const bismuthMeetsLead = (alloys: readonly AlloyId[]): boolean =>
  alloys.some((id) => 'Bi' in COMPOSITIONS[id]) && alloys.some((id) => 'Pb' in COMPOSITIONS[id]);
