import { isSurface, type PartPackage } from '~/core/packages/form';
import { bakeAdvice, DRY_REWORK_K, type BakeAdvice } from '~/core/packages/moisture';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import type { MoistureInput } from '~/schema/values/moisture';

/** Whether a part has a moisture level at all: moulded bodies do, chips, cans and parts with leads do not. */
export const takesMoisture = (part: PartPackage): boolean =>
  isSurface(part) && SURFACE_TRAITS[part.family].bodyLimit === null;

export type MoistureAnswer = BakeAdvice | { readonly kind: 'level not known' };

/** What has to be done about water before a body is heated to `peak_K`; null where the question does not arise. */
export function moistureAnswer(
  given: MoistureInput | undefined,
  part: PartPackage,
  peak_K: number,
): MoistureAnswer | null {
  if (!takesMoisture(part)) return null;
  if (given) {
    return bakeAdvice(given.level, part.body.height_m, given.outOfBag_h * 3600, peak_K, given.bake_C);
  }
  return peak_K <= DRY_REWORK_K ? { kind: 'none', because: 'below 200 °C' } : { kind: 'level not known' };
}
