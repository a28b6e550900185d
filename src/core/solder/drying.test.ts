import { describe, expect, it } from 'vitest';
import { surfacePackage } from '~/core/packages/outlines';
import { kelvin } from '~/core/quantity/convert';
import { dryingUnder_s } from './drying';

// rules.md: under a body it dries by diffusion from the edges, minutes to hours; warm air shortens it (common practice).
describe('solvent under a body', () => {
  const qfn = surfacePackage({ family: 'qfn' });

  it('takes minutes under a no-lead pack and hours under a large one, seconds under a chip', () => {
    expect(dryingUnder_s(qfn) / 60).toBeGreaterThan(4);
    expect(dryingUnder_s(qfn) / 60).toBeLessThan(30);
    expect(dryingUnder_s(surfacePackage({ family: 'bga', rows: 16, columns: 16 })) / 3600).toBeGreaterThan(1);
    expect(dryingUnder_s(surfacePackage({ family: 'chip', code: '0603' }))).toBeLessThan(60);
  });

  it('is Stefan’s tube, by hand: 2.5 mm, 2-propanol at 45 °C of 18.2 kPa, within a tenth', () => {
    // ρ L² / (2 D p M / R T) = 785 · 6.25e-6 / (2 · 1.1e-5 · 18200 · 0.0601 / (8.314 · 318.15)) = 540 s
    expect(qfn.body.width_m).toBeCloseTo(5e-3, 6);
    expect(dryingUnder_s(qfn) / 540).toBeGreaterThan(0.9);
    expect(dryingUnder_s(qfn) / 540).toBeLessThan(1.1);
  });

  it('goes several times as fast in warm air as at 20 °C', () => {
    expect(dryingUnder_s(qfn, kelvin(20)) / dryingUnder_s(qfn)).toBeGreaterThan(3);
  });

  it('does not stay under a body that stands off', () => {
    expect(dryingUnder_s(surfacePackage({ family: 'plcc', pins: 44 }))).toBe(0);
  });
});
