import { describe, expect, it } from 'vitest';
import { WIRE } from '~/core/materials/consumables';
import { ALLOYS, ALLOY_IDS, COMPOSITIONS } from '~/core/materials/alloys';
import { EUTECTICS } from '~/core/materials/mixtures';
import type { Supply } from '~/core/method/bench';
import { braidWidthFor, consumptionOf } from '~/core/method/consumption';
import { methodOf } from '~/core/method/ways';
import { floodedMixture } from '~/core/method/ways/flood';
import { mixed, mixture } from '~/core/solder/mixture';
import { celsius } from '~/core/quantity/convert';
import { jointVolume_m3 } from '~/core/solder/volumes';
import { CAPACITOR, inPhase, planRequest, settingAt, surfaceRequest, trackOn } from '../support/samples';

/** Materials against volumes worked by hand, and mixtures against published melting ranges. */

const request = inPhase(planRequest({ '1': [trackOn(4)], '2': [trackOn(4)] }));
const rock = methodOf('leg-at-a-time');

describe('solder of a plated hole, worked by hand', () => {
  it('0.9 mm hole, 0.6 mm lead, 1.6 mm board: barrel 0.565 mm³, two fillets of 0.268 mm each', () => {
    // Barrel: π/4 (0.9² − 0.6²) 1.6 = 0.5655 mm³. Fillet: π/3 (0.9² − 0.3²) 0.8 (0.9 − 0.3) = 0.3619 mm³.
    const barrel = (Math.PI / 4) * (0.9 ** 2 - 0.6 ** 2) * 1.6;
    const fillet = (Math.PI / 3) * (0.9 ** 2 - 0.3 ** 2) * 0.8 * 0.6;
    expect(jointVolume_m3(CAPACITOR, 1.6e-3, true) * 1e9).toBeCloseTo(barrel + 2 * fillet, 9);
  });

  it('fresh solder for two joints is 1.5 mm³ each: 7.1 mm of 0.8 mm wire whose flux takes 16 % of its section', () => {
    // 3 mm³ / (0.84 · π/4 · 0.8²) = 7.105 mm.
    const { solderWire_m, wireDiameter_m } = consumptionOf(request, rock, settingAt(340));
    expect(wireDiameter_m).toBe(0.8e-3);
    expect(solderWire_m * 1e3).toBeCloseTo(3 / (0.84 * (Math.PI / 4) * 0.8 ** 2), 6);
  });

  it('a core of 2.5 % flux by mass takes 15 % of a lead-free wire’s section, 17 % of a leaded one’s (1.05 against 7.4 and 8.4 g/cm³)', () => {
    const section = (solder: number): number => 0.025 / 1.05 / (0.025 / 1.05 + 0.975 / solder);
    for (const solder of [7.4, 8.4]) {
      expect(1 - section(solder)).toBeGreaterThan(WIRE.solderShare.range[0]);
      expect(Math.abs(1 - section(solder) - WIRE.solderShare.value)).toBeLessThan(0.03);
    }
  });

  it('braid takes up what was there and what was added, in half of its void, a bit to each land and the end cut off', () => {
    // Two joints of 1.289 mm³ and 1.5 mm³ fresh; 1.5 mm braid, 0.5 mm thick, 60 % void, half of it useful.
    const { braid_m, braidWidth_m } = consumptionOf(request, rock, settingAt(340));
    const volume = 2 * (jointVolume_m3(CAPACITOR, 1.6e-3, true) * 1e9 + 1.5);
    expect(braid_m * 1e3).toBeCloseTo(volume / (0.5 * 0.6 * braidWidth_m * 1e3 * 0.5) + 2 * 2 + 10, 6);
  });

  it('flux is a drop to the site and four microlitres to a pin', () => {
    const { flux_m3 } = consumptionOf(request, rock, settingAt(340));
    expect(flux_m3 * 1e9).toBeCloseTo(20 + 2 * 4, 9);
  });
});

describe('what such work takes (common practice)', () => {
  const wick = methodOf('joint-by-joint');
  const taken = (family: Parameters<typeof surfaceRequest>[0]) =>
    consumptionOf(inPhase(surfaceRequest(family)), wick, settingAt(340));

  it('a 44-pin pack takes 0.1 to 0.3 mL of flux', () => {
    const { flux_m3 } = taken({ family: 'qfp', pins: 44, pitch_m: 0.8e-3 });
    expect(flux_m3 * 1e6).toBeGreaterThan(0.1);
    expect(flux_m3 * 1e6).toBeLessThan(0.3);
  });

  it('twenty-eight lands take more than half a hand of braid, and a site a few millilitres of solvent', () => {
    const { braid_m, solvent_m3 } = taken({ family: 'soj', pins: 28 });
    expect(braid_m * 1e3).toBeGreaterThan(50);
    expect(solvent_m3 * 1e6).toBeGreaterThan(2);
    expect(solvent_m3 * 1e6).toBeLessThan(10);
  });

  it('low-melt alloy is reckoned with what the heat model floods: about half a gram for 28 leads', () => {
    const request = inPhase(surfaceRequest({ family: 'soic', pins: 28 }));
    const { lowMelt_kg } = consumptionOf(request, methodOf('low-melt-flood'), settingAt(300));
    expect(lowMelt_kg * 1e3).toBeGreaterThan(0.3);
    expect(lowMelt_kg * 1e3).toBeLessThan(1);
  });
});

describe('braid by pitch (common practice)', () => {
  it('is about two pitches wide along a row, about a land wide on a hole', () => {
    expect(braidWidthFor(surfaceRequest({ family: 'soic', pins: 8 }) as never)).toBe(2.5e-3);
    expect(braidWidthFor(surfaceRequest({ family: 'qfp', pins: 100 }) as never)).toBe(1e-3);
    expect(braidWidthFor(request)).toBe(2e-3);
  });
});

describe('stock', () => {
  const wire = (left_m: number): Supply => ({
    kind: 'wire',
    id: 'w',
    name: 'Wire',
    alloy: 'sn60pb40',
    diameter_m: 0.8e-3,
    left_m,
  });
  const drawOf = (left_m: number) =>
    consumptionOf({ ...request, supplies: [wire(left_m)] }, rock, settingAt(340)).lines.find(
      (d) => d.kind === 'wire',
    )!;

  it('warns before a job that will run out, and only then', () => {
    expect(drawOf(0.004).short).toBe(true);
    expect(drawOf(1).short).toBe(false);
    expect(drawOf(1).supplyId).toBe('w');
  });
});

describe('mixed solders', () => {
  it('shares of every listed alloy add up', () => {
    for (const id of ALLOY_IDS) {
      const sum = Object.values(COMPOSITIONS[id]).reduce((a, b) => a + b, 0);
      expect(sum).toBeCloseTo(1, 9);
    }
  });

  it('one alloy with itself keeps its own range', () => {
    const same = mixture([
      { alloy: 'sac305', mass_kg: 1 },
      { alloy: 'sac305', mass_kg: 2 },
    ]);
    expect(same.liquidus_K).toBe(ALLOYS.sac305.liquidus.value);
  });

  it('additive slopes give the listed alloys back within their stated scatter (ISO 9453, from memory)', () => {
    // A trace of another keeps the estimate from taking the short way through the alloy's own data.
    for (const id of ['sn63pb37', 'sac305', 'sn993cu07', 'sn42bi58'] as const) {
      const estimate = mixture([
        { alloy: id, mass_kg: 1 },
        { alloy: id === 'sac305' ? 'sn993cu07' : 'sac305', mass_kg: 1e-6 },
      ]);
      const miss_K = Math.abs(estimate.liquidus_K - ALLOYS[id].liquidus.value);
      expect(miss_K).toBeLessThan(12);
    }
  });

  it('leaded wire on a lead-free joint melts between the two, from the tin–lead–silver eutectic up', () => {
    const mix = mixture([
      { alloy: 'sac305', mass_kg: 1 },
      { alloy: 'sn60pb40', mass_kg: 1 },
    ]);
    expect(celsius(mix.solidus_K)).toBeCloseTo(178, 0);
    expect(mix.liquidus_K).toBeLessThan(ALLOYS.sac305.liquidus.value);
    expect(mix.liquidus_K).toBeGreaterThan(ALLOYS.sn63pb37.liquidus.value);
    expect(
      mixed([
        { alloy: 'sac305', mass_kg: 1 },
        { alloy: 'sn60pb40', mass_kg: 1 },
      ]).Pb,
    ).toBeCloseTo(0.2, 9);
  });

  it('bismuth on a leaded joint leaves the phase that melts near 96 °C, and is warned of', () => {
    const mix = mixture([
      { alloy: 'sn60pb40', mass_kg: 1 },
      { alloy: 'sn42bi58', mass_kg: 1 },
    ]);
    expect(mix.bismuthWithLead).toBe(true);
    expect(celsius(mix.solidus_K)).toBeCloseTo(96, 0);
    const free = mixture([
      { alloy: 'sac305', mass_kg: 1 },
      { alloy: 'sn42bi58', mass_kg: 1 },
    ]);
    expect(free.bismuthWithLead).toBe(false);
  });

  it('no mixture melts below the deepest eutectic of its elements', () => {
    const lowest_K = Math.min(...EUTECTICS.map((e) => e.melts.value));
    for (const a of ALLOY_IDS) {
      for (const b of ALLOY_IDS) {
        const mix = mixture([
          { alloy: a, mass_kg: 1 },
          { alloy: b, mass_kg: 2 },
        ]);
        expect(mix.solidus_K).toBeGreaterThanOrEqual(lowest_K - 0.01);
        expect(mix.liquidus_K).toBeGreaterThanOrEqual(mix.solidus_K);
      }
    }
  });

  it('a flooded joint melts far below its own alloy', () => {
    const flooded = floodedMixture(inPhase(surfaceRequest({ family: 'soic', pins: 8 })));
    expect(flooded.liquidus_K).toBeLessThan(ALLOYS.sn60pb40.solidus.value - 30);
  });
});
