import type { CurePoint } from '~/core/drying/cure';
import { kelvin } from '~/core/quantity/convert';

/** A two-part epoxy for lands, tracks and laminate, as such sheets read (common practice; each maker's own sheet goes first). */
export const EPOXY: readonly [CurePoint, CurePoint, ...CurePoint[]] = [
  { temperature_K: kelvin(23), time_s: 24 * 3600 },
  { temperature_K: kelvin(45), time_s: 5 * 3600 },
  { temperature_K: kelvin(65), time_s: 2 * 3600 },
];
