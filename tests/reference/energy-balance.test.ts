import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALLOY_IDS } from '~/core/materials/alloys';
import { TIP_CONSTRUCTION_IDS, TIP_SHAPE_IDS } from '~/core/materials/tips';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import { FOUR_LAYER, planeOn, reliefOn, scenario, trackOn, TWO_LAYER } from '../support/samples';

/** Conservation: energy in = stored + lost, relative residual at most 1e-6 (heat.md), for every run. */
describe('energy balance closes', () => {
  const runs = fc.record({
    setpoint_C: fc.integer({ min: 200, max: 480 }),
    alloy: fc.constantFrom(...ALLOY_IDS),
    shape: fc.constantFrom(...TIP_SHAPE_IDS),
    construction: fc.constantFrom(...TIP_CONSTRUCTION_IDS),
    width_mm: fc.double({ min: 0.3, max: 5, noNaN: true }),
    copper: fc.constantFrom('track', 'relief', 'plane', 'single'),
    warm: fc.boolean(),
    duration_s: fc.double({ min: 0.1, max: 15, noNaN: true }),
  });

  it('over random tools, alloys, connections and boards (seeded)', () => {
    fc.assert(
      fc.property(runs, (r) => {
        const single = r.copper === 'single';
        const board = single
          ? { ...TWO_LAYER, laminate: 'paper-phenolic' as const, copper: [TWO_LAYER.copper[0]!] }
          : FOUR_LAYER;
        const copper =
          r.copper === 'plane'
            ? planeOn(2, 3)
            : r.copper === 'relief'
              ? reliefOn(2)
              : trackOn(single ? 1 : 4);
        const joint = scenario(r.setpoint_C, copper, {
          board,
          alloy: r.alloy,
          preheat: r.warm ? { kind: 'convective', setpoint_K: 420, soak_s: 60 } : null,
          iron: { tip: { shape: r.shape, width_m: r.width_mm * 1e-3, construction: r.construction } },
        });
        const run = simulateJoint(joint, { duration_s: r.duration_s });
        expect(run.outcome).toBe('done');
        expect(run.energy.relativeResidual).toBeLessThan(1e-6);
        expect(run.energy.in_J).toBeGreaterThanOrEqual(0);
      }),
      { seed: 20261125, numRuns: 60 },
    );
  });
});
