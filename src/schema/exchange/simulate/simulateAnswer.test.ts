import { describe, expect, it } from 'vitest';
import { changed, HOT_AIR_EXAMPLE, SIMULATE_EXAMPLE } from '../../../../tests/support/requests';
import { parseInput } from '~/schema/values/faults';
import { simulateInput } from './simulateRequest';
import { simulate } from './simulate';

const answerTo = (input: unknown) => simulate(parseInput(simulateInput, input));

const R3 = SIMULATE_EXAMPLE.neighbours[0]!;

describe('simulate', () => {
  const answer = answerTo(SIMULATE_EXAMPLE);

  it('answers in the contract’s shape: pads, part, board, neighbours, energy, histories', () => {
    expect(answer.pads.map((p) => p.pad)).toEqual(['1', '2']);
    const [first] = answer.pads;
    expect(first!.solidus_s!).toBeLessThanOrEqual(first!.liquidus_s!);
    expect(first!.liquidus_s!).toBeLessThanOrEqual(first!.fullMelt_s!);
    expect(first!.aboveLiquidus_s).toBeCloseTo(8 - first!.fullMelt_s!, 0);
    expect(answer.energy.relativeResidual).toBeLessThan(1e-6);
    expect(answer.histories['pad:1']).toHaveLength(answer.histories['time_s']!.length);
    expect(Object.keys(answer.histories)).toEqual(expect.arrayContaining(['time_s', 'pad:1', 'tip', 'body']));
  });

  it('warms the far pad and the neighbour a little, and neither melts', () => {
    expect(answer.pads[1]!.fullMelt_s).toBeNull();
    expect(answer.pads[1]!.peak_C).toBeGreaterThan(23);
    expect(answer.pads[1]!.peak_C).toBeLessThan(120);
    expect(answer.neighbours[0]).toMatchObject({ ref: 'R3', ok: true });
  });

  it('gives null where a melt never happened', () => {
    const cold = answerTo(changed(SIMULATE_EXAMPLE, 'load.setpoint_C', 150));
    expect(cold.pads[0]).toMatchObject({
      solidus_s: null,
      liquidus_s: null,
      fullMelt_s: null,
      aboveLiquidus_s: 0,
    });
  });

  it('is the same on a mirrored job: part below, iron above', () => {
    const across = SIMULATE_EXAMPLE.neighbours.map((n) => ({ ...n, side: 'bottom', x_mm: 160 - n.x_mm }));
    const mirrored = changed(
      changed(SIMULATE_EXAMPLE, 'site.side', 'bottom') as object,
      'neighbours',
      across,
    );
    const below = answerTo(mirrored);
    expect(below.pads[0]!.fullMelt_s!).toBeCloseTo(answer.pads[0]!.fullMelt_s!, 5);
    expect(below.board.peakTop_C).toBeCloseTo(answer.board.peakBottom_C, 4);
    expect(below.neighbours[0]!.body_C).toBeCloseTo(answer.neighbours[0]!.body_C, 4);
  });

  it('follows a neighbour’s body behind its joint, on either face', () => {
    for (const side of ['top', 'bottom']) {
      const [near] = answerTo(changed(SIMULATE_EXAMPLE, 'neighbours', [{ ...R3, side }])).neighbours;
      expect(near!.joint_C).toBeGreaterThan(28);
      expect(near!.body_C).toBeGreaterThan(24);
      expect(near!.body_C).toBeLessThan(near!.joint_C);
    }
  });

  it('a heavy part on the far face holds the joint back, the more the nearer it stands', () => {
    // By what the joint reaches in eight seconds: in the one until it melts a part 5 mm away has hardly been met.
    const peak_C = (neighbours: unknown[]): number =>
      answerTo(changed(SIMULATE_EXAMPLE, 'neighbours', neighbours)).pads[0]!.peak_C;
    const tab = (distance_mm: number) => ({
      ...R3,
      package: { family: 'dpak' },
      x_mm: 77.5 + distance_mm,
      side: 'top',
    });
    const alone_C = peak_C([]);
    expect(peak_C([tab(9)])).toBeLessThan(alone_C - 0.05);
    expect(peak_C([tab(5)])).toBeLessThan(peak_C([tab(9)]) - 0.05);
    expect(peak_C([tab(5)])).toBeGreaterThan(alone_C - 30);
  });

  it('warm air over the worked face preheats about as well as one beneath', () => {
    const warmed = (side?: string) =>
      answerTo(
        changed(SIMULATE_EXAMPLE, 'preheat', {
          kind: 'convective',
          setpoint_C: 160,
          soak_s: 120,
          ...(side && { side }),
        }),
      );
    const cold = answer.pads[0]!.fullMelt_s!;
    const [below, above, left] = [warmed('top'), warmed('bottom'), warmed()];
    expect(left.pads[0]!.fullMelt_s).toBe(below.pads[0]!.fullMelt_s);
    expect(above.pads[0]!.fullMelt_s!).toBeLessThan(cold);
    expect(above.pads[0]!.fullMelt_s!).not.toBe(below.pads[0]!.fullMelt_s);
    expect(Math.abs(above.pads[0]!.fullMelt_s! / below.pads[0]!.fullMelt_s! - 1)).toBeLessThan(0.1);
  });
});

describe('simulate, tweezers and what stands beside', () => {
  const chip = {
    ...SIMULATE_EXAMPLE,
    site: { ...SIMULATE_EXAMPLE.site, package: { family: 'chip', code: '1206' }, connections: {} },
    load: { ...SIMULATE_EXAMPLE.load, kind: 'tweezers', pad: undefined },
  };
  const beside = (x_mm: number, y_mm: number, side = 'top') => ({ ...R3, x_mm, y_mm, side });

  it('warms alike what stands alike, from both ends at once', () => {
    const others = (...neighbours: unknown[]) => answerTo({ ...chip, neighbours }).neighbours;
    const [left, right] = others(beside(75, 50), beside(85, 50));
    expect(left!.joint_C).toBeCloseTo(right!.joint_C, 6);
    expect(left!.body_C).toBeCloseTo(right!.body_C, 6);
    const [near, far] = others(beside(80, 53), beside(80, 53, 'bottom'));
    expect(near!.joint_C).toBeGreaterThan(40);
    expect(near!.joint_C).toBeGreaterThan(far!.joint_C);
    expect(near!.body_C).toBeLessThanOrEqual(near!.joint_C + 1e-9);
  });
});

describe('simulate, a gun', () => {
  const gun = (pad: string, triggerAt_s: number) =>
    answerTo({
      ...SIMULATE_EXAMPLE,
      load: {
        kind: 'gun',
        setpoint_C: 360,
        power_W: 100,
        nozzleInner_mm: 1,
        nozzleOuter_mm: 2.5,
        triggerAt_s,
        pad,
      },
    });

  it('clears a pin on a track once its whole barrel is molten, and not before', () => {
    expect(gun('1', 3).suction).toMatchObject({ clears: true });
    expect(gun('1', 0.1).suction!.room_K).toBeLessThan(0);
  });

  it('names the slice that holds a plane pin, on the side away from the gun (common practice)', () => {
    expect(gun('2', 3).suction).toMatchObject({ clears: false, where: 'far fillet' });
  });
});

describe('simulate, lands', () => {
  const chip = {
    ...SIMULATE_EXAMPLE,
    site: {
      ...SIMULATE_EXAMPLE.site,
      package: { family: 'chip', code: '0805' },
      connections: { default: { kind: 'track', width_mm: 0.3, layers: [1] } },
    },
  };
  const { pad: _pad, ...hand } = SIMULATE_EXAMPLE.load;

  it('tweezers melt both ends of a chip at once; an iron on one end leaves the other behind', () => {
    const both = answerTo({ ...chip, load: { ...hand, kind: 'tweezers' } });
    const one = answerTo({ ...chip, load: { ...hand, kind: 'iron', pad: '1' }, duration_s: 3 });
    expect(both.pads.map((p) => p.fullMelt_s !== null)).toEqual([true, true]);
    expect(both.pads[0]!.fullMelt_s!).toBeCloseTo(both.pads[1]!.fullMelt_s!, 6);
    expect(one.pads[1]!.peak_C).toBeLessThan(one.pads[0]!.peak_C - 10);
    expect(both.energy.relativeResidual).toBeLessThan(1e-6);
  });

  it('follows an iron on one lead of a small-outline part', () => {
    const soic = changed(chip, 'site.package', { family: 'soic', pins: 8 });
    const answer = answerTo({ ...(soic as object), load: { ...hand, kind: 'iron', pad: '3' } });
    expect(answer.pads.map((p) => p.pad)).toEqual(['3']);
    expect(answer.part.peak_C).toBeLessThan(answer.part.limit_C);
  });

  it.each([
    ['through holes', SIMULATE_EXAMPLE],
    ['on lands', { ...chip, load: { ...hand, kind: 'iron', pad: '1' } }],
  ])('a part’s own sheet is its limit, %s', (_, asked) => {
    expect(answerTo(changed(asked, 'site.package.bodyLimit_C', 150)).part.limit_C).toBeCloseTo(150, 9);
  });

  it('refuses a gun on lands and tweezers on holes, by name', () => {
    const gun = {
      setpoint_C: 360,
      power_W: 100,
      nozzleInner_mm: 1,
      nozzleOuter_mm: 2.5,
      triggerAt_s: 3,
      pad: '1',
    };
    expect(() => answerTo({ ...chip, load: { ...gun, kind: 'gun' } })).toThrow(/clears holes/);
    expect(() => answerTo({ ...SIMULATE_EXAMPLE, load: { ...hand, kind: 'tweezers' } })).toThrow(
      /lands on one face/,
    );
  });
});

describe('simulate, hot air', () => {
  const answer = answerTo(HOT_AIR_EXAMPLE);

  it('answers every pad of the part, in the same shape, with the board’s bow', () => {
    expect(answer.pads).toHaveLength(100);
    expect(answer.pads.every((p) => p.fullMelt_s !== null)).toBe(true);
    expect(answer.board.warp_pct).toBeGreaterThan(0);
    expect(answer.energy.relativeResidual).toBeLessThan(1e-6);
    expect(answer.histories['body:R3']).toHaveLength(answer.histories['time_s']!.length);
  });

  it('counts its times from the air: the soak is before zero', () => {
    expect(answer.histories['time_s']![0]).toBe(-120);
    expect(Math.min(...answer.pads.map((p) => p.fullMelt_s!))).toBeGreaterThan(0);
  });

  it('the pin on a plane melts last', () => {
    const last = [...answer.pads].sort((a, b) => a.fullMelt_s! - b.fullMelt_s!).at(-1)!;
    expect(last.pad).toBe('10');
  });

  it('says where its jet leaves the correlation', () => {
    const slow = answerTo(changed(HOT_AIR_EXAMPLE, 'load.flow_L_min', 10));
    expect(slow.notes.join()).toMatch(/Reynolds/);
  });

  it.each([
    ['radial', { pins: 2, pitch_mm: 5, leadDiameter_mm: 0.6, holeDiameter_mm: 0.9, bodyDiameter_mm: 8 }],
    ['axial', { pins: 2, pitch_mm: 10, leadDiameter_mm: 0.6, holeDiameter_mm: 0.9 }],
    ['dip', { pins: 14, pitch_mm: 2.54, leadDiameter_mm: 0.5, holeDiameter_mm: 0.8 }],
    ['header', { pins: 6, pitch_mm: 2.54, leadDiameter_mm: 0.7, holeDiameter_mm: 1 }],
    ['jack', { pins: 3, pitch_mm: 5, leadDiameter_mm: 1.2, holeDiameter_mm: 1.6 }],
    ['to220', { pins: 3, pitch_mm: 2.54, leadDiameter_mm: 0.8, holeDiameter_mm: 1.1 }],
    ['dpak', {}],
    ['chip', { code: '1206' }],
    ['canElectrolytic', { bodyDiameter_mm: 8 }],
    ['soic', { pins: 14 }],
    ['ssop', {}],
    ['tsop', {}],
    ['soj', {}],
    ['plcc', {}],
    ['qfp', { pins: 44, pitch_mm: 0.8 }],
    ['qfn', {}],
    ['bga', { rows: 8, columns: 8 }],
    ['sot23', {}],
  ])('%s warms, melts in order and closes its energy', (family, dimensions) => {
    const run = answerTo({
      ...HOT_AIR_EXAMPLE,
      site: {
        ...HOT_AIR_EXAMPLE.site,
        package: { family, ...dimensions },
        connections: { default: { kind: 'track', width_mm: 0.2, layers: [1] } },
      },
    });
    expect(run.outcome).toBe('done');
    for (const pad of run.pads) {
      expect(pad.peak_C).toBeGreaterThan(100);
      expect(pad.peak_C).toBeLessThan(380);
      if (pad.fullMelt_s !== null) expect(pad.solidus_s!).toBeLessThanOrEqual(pad.fullMelt_s);
    }
    expect(run.energy.relativeResidual).toBeLessThan(1e-6);
  });
});
