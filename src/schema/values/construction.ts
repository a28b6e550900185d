import { z } from 'zod';
import { LAMINATE_IDS } from '~/core/materials/laminates';
import { oneOf, quantity } from './fields';

/** What a board is made of, in bench units: the part of its record that the heat model reads. */
export const construction = z.strictObject({
  length_mm: quantity('mm', 5, 1000),
  width_mm: quantity('mm', 5, 1000),
  thickness_mm: quantity('mm', 0.2, 6.4),
  laminate: oneOf(LAMINATE_IDS),
  copperLayers: z
    .array(z.strictObject({ weight_oz: quantity('oz', 0.25, 12), coverage: quantity('', 0, 1) }), {
      error: 'must be a list of copper layers from the top down',
    })
    .min(1, { error: 'has no layer; a board needs copper: add one with its weight_oz and coverage' })
    .max(16, { error: 'has more than 16 layers; this model goes up to 16' }),
});

export type Construction = z.infer<typeof construction>;

/** A layer covered this far is a plane (common practice). */
const PLANE_COVERAGE = 0.7;

/** The plane that ground or another supply lies on, ground first; null on a board without planes. */
export function supplyPlane(
  { copperLayers }: Pick<Construction, 'copperLayers'>,
  ground: boolean,
): number | null {
  const planes = copperLayers.flatMap(({ coverage }, i) => (coverage >= PLANE_COVERAGE ? [i + 1] : []));
  return (ground ? planes[0] : (planes[1] ?? planes[0])) ?? null;
}
