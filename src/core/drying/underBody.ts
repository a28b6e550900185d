import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import type { SurfacePackage } from '~/core/packages/surface';
import { DRYING } from '~/core/materials/drying';
import { dryUnder_s } from './gap';

/** Warm air that a technician dries with. */
export const WARM_AIR_K: number = DRYING.warmAir.value;

/** How long water under a part takes to leave it in a dry oven, s; null where it would boil there. */
export const waterUnder_s = ({ family, body }: SurfacePackage, oven_K: number): number | null =>
  dryUnder_s({
    liquid: 'water',
    length_m: body.length_m,
    width_m: body.width_m,
    gap_m: SURFACE_TRAITS[family].gap.value,
    board_K: oven_K,
    air_K: oven_K,
    humidity: 0,
  });

/** How long 2-propanol under a part takes to leave it in warm air, s; 0 where its body stands off. */
export const dryingUnder_s = ({ family, body }: SurfacePackage, air_K = WARM_AIR_K): number =>
  dryUnder_s({
    liquid: '2-propanol',
    length_m: body.length_m,
    width_m: body.width_m,
    gap_m: SURFACE_TRAITS[family].gap.value,
    board_K: air_K,
    air_K,
    humidity: 0,
  })!;
