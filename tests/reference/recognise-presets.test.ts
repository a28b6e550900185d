import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { landShapes } from '~/core/packages/form';
import { recogniseAll } from '~/core/packages/recognise/recognise';
import type { SeenLand } from '~/core/packages/recognise/seen';
import { partOf } from '~/schema/exchange/si/part';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';

/** Every standard outline, laid down anywhere at any turn, as a netlist tells of it. */
function seenAt(
  name: string,
  turn_rad: number,
  x_m: number,
  y_m: number,
  jitter: readonly number[],
): SeenLand[] {
  const part = partOf(PACKAGE_PRESETS.find((p) => p.name === name)!.package);
  const [cos, sin] = [Math.cos(turn_rad), Math.sin(turn_rad)];
  return landShapes(part).map((land, i) => ({
    pad: land.pad,
    // Files round to 0.0001 inch; this is ten times worse.
    x_m: x_m + land.x_m * cos - land.y_m * sin + 25e-6 * (jitter[i % jitter.length] ?? 0),
    y_m: y_m + land.x_m * sin + land.y_m * cos + 25e-6 * (jitter[(i + 1) % jitter.length] ?? 0),
    width_m: land.width_m,
    height_m: land.height_m,
    hole_m: land.hole_m,
  }));
}

describe('standard outlines seen on a board', () => {
  it.each(PACKAGE_PRESETS.map((p) => [p.name, p.package.family] as const))(
    '%s is recognised as %s, or offered as it, where it lies and as it is turned',
    (name, family) => {
      fc.assert(
        fc.property(
          fc.constantFrom(0, 90, 180, 270, 45, 30),
          fc.double({ min: 0, max: 0.2, noNaN: true }),
          fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 3, maxLength: 7 }),
          (turn_deg, x_m, jitter) => {
            const turn_rad = (turn_deg * Math.PI) / 180;
            const all = recogniseAll(seenAt(name, turn_rad, x_m, 0.05, jitter));
            const found = all.find(
              ({ part }) => (part.kind === 'surface' ? part.spec.family : part.part.family) === family,
            );
            expect(found, `${name}: ${all.length} families fit`).toBeDefined();
            expect(Math.abs(found!.x_m - x_m)).toBeLessThan(0.15e-3);
            const off = Math.abs(((found!.rotation_rad - turn_rad) % (2 * Math.PI)) + 0);
            expect(Math.min(off, 2 * Math.PI - off)).toBeLessThan(0.06);
          },
        ),
        { seed: 31, numRuns: 8 },
      );
    },
  );
});
