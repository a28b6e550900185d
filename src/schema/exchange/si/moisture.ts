import { isSurface, mouldOf, type PartPackage } from '~/core/packages/form';
import { bakeAdvice, DRY_REWORK_K, type BakeAdvice } from '~/core/packages/moisture';
import type { SurfacePackage } from '~/core/packages/surface';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import { kelvin } from '~/core/quantity/convert';
import type { MoistureInput } from '~/schema/values/moisture';

/** Whether a part has a moisture level at all: moulded bodies do, chips, cans and parts with leads do not. */
export const takesMoisture = (part: PartPackage): boolean => mouldedOf(part) !== null;

const mouldedOf = (part: PartPackage): SurfacePackage | null =>
  isSurface(part) && SURFACE_TRAITS[part.family].bodyLimit === null ? part : null;

/** The part with the peak that its own label gives, where somebody read that. */
export function asLabelled<P extends PartPackage>(part: P, given: MoistureInput | undefined): P {
  const moulded = mouldedOf(part);
  return moulded && given?.rated_C !== undefined ? { ...part, ratedPeak_K: kelvin(given.rated_C) } : part;
}

export type MoistureAnswer = BakeAdvice | { readonly kind: 'level not known' };

/** What has to be done about water before a body is heated to `peak_K`; null where the question does not arise. */
export function moistureAnswer(
  given: MoistureInput | undefined,
  part: PartPackage,
  peak_K: number,
): MoistureAnswer | null {
  const moulded = mouldedOf(part);
  if (!moulded) return null;
  if (given) {
    return bakeAdvice(given.level, mouldOf(moulded), given.outOfBag_h * 3600, peak_K, given.bake_C);
  }
  return peak_K <= DRY_REWORK_K ? { kind: 'none', because: 'below 200 °C' } : { kind: 'level not known' };
}
