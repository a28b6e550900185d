import { describe, expect, it } from 'vitest';
import { LEAD_METALS } from '~/core/materials/leads';
import { FAMILY_TRAITS } from '~/core/packages/families';
import { leadConductance_W_K, leadPath } from '~/core/packages/leadPath';
import type { ThroughHolePackage } from '~/core/packages/throughHole';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import { CAPACITOR, planeOn, scenario, trackOn } from '../support/samples';

const HEADER: ThroughHolePackage = {
  ...CAPACITOR,
  family: 'header',
  pins: 8,
  pitch_m: 5.08e-3,
  leadDiameter_m: 1.1e-3,
  holeDiameter_m: 1.5e-3,
  landDiameter_m: 2.8e-3,
  body: { shape: 'block', length_m: 40e-3, width_m: 10e-3, height_m: 9e-3 },
};

const TAB: ThroughHolePackage = {
  ...CAPACITOR,
  family: 'to220',
  leadDiameter_m: 0.9e-3,
  holeDiameter_m: 1.2e-3,
};

/** What a straight fin with an adiabatic end takes at its root, W/K: √(hPkA) tanh(mL), Incropera table 3.4 case B. */
const finConductance_W_K = (perLength_W_mK: number, kA_Wm_K: number, length_m: number): number =>
  Math.sqrt(perLength_W_mK * kA_Wm_K) * Math.tanh(length_m * Math.sqrt(perLength_W_mK / kA_Wm_K));

describe('a lead in its moulding', () => {
  const path = leadPath(HEADER);

  it('gives its heat off as a cylinder does: 2πkL / ln(r₂/r₁) (Incropera §3.3, worked by hand)', () => {
    // 8 mm of pin, 1.1 mm thick, in a moulding of 0.3 W/mK out to midway between pins 5.08 mm apart.
    const byHand = (2 * Math.PI * 0.3 * 8e-3) / Math.log(2.54 / 0.55);
    expect(path.intoMoulding_W_K).toBeCloseTo(byHand, 6);
  });

  it('takes about what the fin equation says of it (Incropera table 3.4)', () => {
    const kA = path.conductivity_W_mK * path.section_m2;
    const fin = finConductance_W_K(path.intoMoulding_W_K! / path.inBody_m, kA, path.inBody_m);
    const outside = kA / path.standoff_m;
    const exact = 1 / (1 / fin + 1 / outside);
    // One lump for the pin inside, so within a tenth.
    expect(leadConductance_W_K(HEADER) / exact).toBeGreaterThan(0.9);
    expect(leadConductance_W_K(HEADER) / exact).toBeLessThan(1.1);
  });

  it('is a far smaller drain than the same lead welded to metal, by the plastic about it', () => {
    const welded = (path.conductivity_W_mK * path.section_m2) / (path.standoff_m + path.inBody_m);
    expect(leadConductance_W_K(HEADER)).toBeLessThan(0.7 * welded);
    expect(FAMILY_TRAITS.header.moulding.value).toBeLessThan(1);
  });

  it('is of brass where it is a connector’s: 110 to 125 W/mK (yellow brass, handbook values from memory)', () => {
    expect(FAMILY_TRAITS.header.leadMetal).toBe('brass');
    expect(LEAD_METALS.brass.conductivity.value).toBeGreaterThan(110);
    expect(LEAD_METALS.brass.conductivity.value).toBeLessThan(125);
  });

  it('of iron–nickel hardly drains a joint at all, in whatever moulding', () => {
    const dip: ThroughHolePackage = { ...HEADER, family: 'dip', leadDiameter_m: 0.5e-3, pitch_m: 2.54e-3 };
    expect(leadConductance_W_K(dip)).toBeLessThan(0.1 * leadConductance_W_K(HEADER));
  });
});

describe('a pin cut off at the body', () => {
  const melt = (part: ThroughHolePackage, stub: boolean): number =>
    simulateJoint(scenario(380, trackOn(2), { part, stub }), { duration_s: 12 }).fullMelt_s!;

  it.each([
    ['a wound capacitor', CAPACITOR],
    ['a connector', HEADER],
    ['a power tab', TAB],
  ])('of %s melts sooner: nothing behind it has to be warmed (common practice)', (_, part) => {
    expect(melt(part, true)).toBeLessThan(melt(part, false));
  });

  it('gains less than the copper of a plane takes', () => {
    const cut = simulateJoint(scenario(380, planeOn(2), { stub: true }), { duration_s: 12 });
    const whole = simulateJoint(scenario(380, trackOn(2)), { duration_s: 12 });
    expect(cut.fullMelt_s ?? Infinity).toBeGreaterThan(whole.fullMelt_s!);
  });

  it('keeps its energy balance (conservation)', () => {
    const { energy } = simulateJoint(scenario(380, trackOn(2), { part: HEADER, stub: true }), {
      duration_s: 5,
    });
    expect(energy.relativeResidual).toBeLessThan(1e-6);
  });
});
