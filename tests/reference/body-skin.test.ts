import { describe, expect, it } from 'vitest';
import { formOf, SKIN_SHARE } from '~/core/packages/form';
import { surfacePackage } from '~/core/packages/outlines';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import { simulateField } from '~/core/thermal/field/run';
import { field, jetOver, round, stage, surfacePart, TWO_LAYERS } from '../support/field';

/**
 * A slab that takes a steady flux q on one face and none on the other settles to one shape that only rises: its face is
 * q L/3k over its mean, its far side q L/6k under it (Carslaw & Jaeger §3.8).
 */
describe('a body’s skin and core', () => {
  it.each(['qfp', 'canElectrolytic', 'plcc', 'bga'] as const)(
    'of a %s stand apart as a slab’s face and mean do',
    (family) => {
      const part = surfacePackage({ family });
      const { body } = formOf(part, 'sac305', 1.6e-3);
      const flux_W_m2 = 12_000;
      // Both rise alike, so the core takes its share of all heat through the link.
      const intoCore_W = flux_W_m2 * body.top_m2 * (1 - SKIN_SHARE);
      const skinOverMean_K = ((1 - SKIN_SHARE) * intoCore_W) / body.inner_W_K;
      const k_W_mK = SURFACE_TRAITS[family].bodyConductivity.value;
      expect(skinOverMean_K).toBeCloseTo((flux_W_m2 * body.height_m) / (3 * k_W_mK), 9);
    },
  );

  it('a tall can under a pencil has a skin far over what its feet are at, a flat pack has not', () => {
    const over = (family: 'canElectrolytic' | 'soic'): number => {
      const air = jetOver(350, round(8e-3), 40, 8e-3);
      const run = simulateField(field(TWO_LAYERS, [surfacePart({ family })], [stage(6, air)]));
      return run.bodies[0]!.peak_K - Math.max(...run.pads.map((pad) => pad.peak_K));
    };
    expect(over('canElectrolytic')).toBeGreaterThan(over('soic') + 10);
  });
});
