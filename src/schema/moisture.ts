import { z } from 'zod';
import { isSurface, type PartPackage } from '../core/packages/form';
import {
  bakeAdvice,
  BAKE_C,
  DRY_REWORK_K,
  FLOOR_LIFE_s,
  MOISTURE_LEVELS,
  type BakeAdvice,
} from '../core/packages/moisture';
import { SURFACE_TRAITS } from '../core/packages/surfaceFamilies';
import { oneOf, quantity } from './fields';

/** What a moulded part's label and history say about the water in it. */
export const moistureInput = z.strictObject({
  level: oneOf(MOISTURE_LEVELS),
  /** Time out of the dry bag at no more than 30 °C and 60 % relative humidity. */
  outOfBag_h: quantity('h', 0, 100_000),
  bake_C: z.literal(BAKE_C).default(125),
});
export type MoistureInput = z.infer<typeof moistureInput>;

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

export function moistureInWords(answer: MoistureAnswer, given: MoistureInput | undefined): string {
  switch (answer.kind) {
    case 'none':
      return answer.because === 'floor life left' && given
        ? `no bake: ${Math.floor(FLOOR_LIFE_s[given.level] / 3600 - given.outOfBag_h)} h of floor life left`
        : `no bake: ${answer.because === 'below 200 °C' ? 'the body stays below 200 °C' : answer.because}`;
    case 'bake':
      return `bake ${answer.hours} h at ${answer.at_C} °C first, or the body may crack as its water boils`;
    case 'label':
      return `bake as the part’s label says: ${answer.because}`;
    case 'level not known':
      return 'the body passes 200 °C: its moisture level decides whether it must be baked first';
  }
}
