import { describe, expect, it } from 'vitest';
import { surfacePackage } from '~/core/packages/outlines';
import { kelvin } from '~/core/quantity/convert';
import { dryingUnder_s } from './underBody';

// rules.md: under a body it dries by diffusion from the edges, minutes to hours; warm air shortens it (common practice).
describe('solvent under a part', () => {
  const qfn = surfacePackage({ family: 'qfn' });

  it('takes minutes under a no-lead pack and an hour under a large one, seconds under a chip', () => {
    expect(dryingUnder_s(qfn) / 60).toBeGreaterThan(3);
    expect(dryingUnder_s(qfn) / 60).toBeLessThan(30);
    expect(dryingUnder_s(surfacePackage({ family: 'bga', rows: 16, columns: 16 })) / 3600).toBeGreaterThan(
      0.7,
    );
    expect(dryingUnder_s(surfacePackage({ family: 'chip', code: '0603' }))).toBeLessThan(60);
  });

  it('goes several times as fast in warm air as at 20 °C', () => {
    expect(dryingUnder_s(qfn, kelvin(20)) / dryingUnder_s(qfn)).toBeGreaterThan(3);
  });

  it('does not stay under a body that stands off', () => {
    expect(dryingUnder_s(surfacePackage({ family: 'plcc', pins: 44 }))).toBe(0);
  });
});
