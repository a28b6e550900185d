import { describe, expect, it } from 'vitest';
import { enthalpyCurve, liquidShare, meltAt } from './enthalpy';
import { integrate } from './integrate';
import { NetworkBuilder } from './network';

const LUMP = {
  node: 0,
  solidus_K: 456,
  liquidus_K: 463,
  capacitySolid_J_K: 2,
  capacityLiquid_J_K: 2.5,
  latent_J: 60,
};

describe('enthalpy of a solder lump', () => {
  const curve = enthalpyCurve(LUMP, 0.5);

  it('is continuous at solidus and liquidus and holds the latent heat between', () => {
    const at = (t: number, phase: 0 | 1 | 2): number => curve.offset[phase] + curve.slope[phase] * t;
    expect(at(456, 0)).toBeCloseTo(at(456, 1), 9);
    expect(at(463, 1)).toBeCloseTo(at(463, 2), 9);
    expect(at(463, 2) - at(456, 0)).toBeCloseTo(60 + 7 * 2.25, 9);
  });

  it('widens a eutectic’s plateau by the smear and no more', () => {
    const eutectic = enthalpyCurve({ ...LUMP, liquidus_K: 456 }, 0.5);
    expect(eutectic.liquidus_K).toBe(456.5);
    expect(meltAt(eutectic, 456.2)).toBe(1);
    expect(liquidShare(eutectic, 456.25)).toBeCloseTo(0.5, 9);
  });
});

describe('integrate', () => {
  it('holds a lump on its melting range until the latent heat is in', () => {
    const net = new NetworkBuilder();
    const lump = net.solder(LUMP, 456);
    net.toAir(lump, 1, 500);
    const run = integrate(net.done(), { duration_s: 30, tracked: [lump], maxStep_s: 0.05 });
    // About 41 W falls to 37 W over the range; (60 + 15.75) J take close to two seconds.
    expect(run.solidus_s[0]!).toBeCloseTo(0, 2);
    expect(run.liquidus_s[0]!).toBeGreaterThan(1.75);
    expect(run.liquidus_s[0]!).toBeLessThan(1.95);
    expect(run.energy.relativeResidual).toBeLessThan(1e-10);
  });

  it('limits a heater to its power and holds its setting afterwards', () => {
    const net = new NetworkBuilder();
    const heater = net.node(1, 300);
    net.toAir(heater, 0.01, 300);
    net.heater({ node: heater, setpoint_K: 400, gain_W_K: 5, limit_W: 10 });
    const run = integrate(net.done(), { duration_s: 60, tracked: [heater] });
    const at5 = run.time_s.findIndex((t) => t >= 5);
    expect(run.recorded.history_K(0)[at5]!).toBeLessThan(300 + 10 * run.time_s[at5]! + 0.1);
    expect(run.recorded.history_K(0).at(-1)!).toBeCloseTo(400 - 1 / 5, 1);
  });

  it('stops when told to, and says so', () => {
    const net = new NetworkBuilder();
    const lump = net.node(1, 400);
    net.toAir(lump, 1, 300);
    const run = integrate(net.done(), { duration_s: 10, tracked: [lump], stopWhen: (time_s) => time_s > 1 });
    expect(run.outcome).toBe('stopped');
    expect(run.time_s.at(-1)!).toBeLessThan(3);
  });

  it('refuses a network with a capacity or link that is not a positive number', () => {
    const net = new NetworkBuilder();
    net.node(Number.NaN, 300);
    expect(() => net.done()).toThrow(/capacity/);
    const other = new NetworkBuilder();
    other.link(other.node(1, 300), other.node(1, 300), -1);
    expect(() => other.done()).toThrow(/conducts/);
  });
});
