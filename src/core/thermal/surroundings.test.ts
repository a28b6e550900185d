import { describe, expect, it } from 'vitest';
import { planeOn, planRequest, settingAt, TWO_LAYER } from '../../../tests/support/samples';
import { scenarioFor } from '~/core/method/hand/holeTouch';
import { equivalentRadius_m, type CopperLayer } from './stackup';
import { simulateJoint } from './joint/simulate';
import { boardAbout } from './surroundings';

const SIZE = 50;

/** Copper given by place, on a grid over the board. */
const mapped = (share: (u: number, v: number) => number) => ({
  nx: SIZE,
  ny: SIZE,
  share: Float32Array.from({ length: SIZE * SIZE }, (_, c) =>
    share(((c % SIZE) + 0.5) / SIZE, (Math.floor(c / SIZE) + 0.5) / SIZE),
  ),
});

const withMap = (share: (u: number, v: number) => number) => ({
  ...TWO_LAYER,
  maps: TWO_LAYER.copper.map(() => mapped(share)),
});
const shares = (layer: CopperLayer): number[] => layer.rings!.map((ring) => ring.coverage);

describe('a joint’s own surroundings', () => {
  it('are the board itself where nothing was imported', () => {
    expect(boardAbout(TWO_LAYER, 0.03, 0.02)).toBe(TWO_LAYER);
  });

  it('are even where the copper is even', () => {
    const about = boardAbout(
      withMap(() => 0.45),
      0.5 * TWO_LAYER.length_m,
      0.5 * TWO_LAYER.width_m,
    );
    for (const layer of about.copper) for (const share of shares(layer)) expect(share).toBeCloseTo(0.45, 9);
  });

  it('tell a joint in the pour from one beside it on the same board', () => {
    // Left half copper, right half bare.
    const board = withMap((u) => (u < 0.5 ? 1 : 0));
    const at = (u: number) => boardAbout(board, u * board.length_m, 0.5 * board.width_m).copper[0]!;
    expect(shares(at(0.25)).slice(0, 3)).toEqual([1, 1, 1]);
    expect(shares(at(0.75)).slice(0, 3)).toEqual([0, 0, 0]);
    // Far away both see both halves.
    expect(shares(at(0.25)).at(-1)).toBeLessThan(1);
    expect(shares(at(0.75)).at(-1)).toBeGreaterThan(0);
  });

  it('leave out what lies beyond an imported edge, and take its area', () => {
    const { length_m, width_m } = TWO_LAYER;
    // An L: the upper right quarter is cut away.
    const outline: [number, number][] = [
      [0, 0],
      [length_m, 0],
      [length_m, width_m / 2],
      [length_m / 2, width_m / 2],
      [length_m / 2, width_m],
      [0, width_m],
    ];
    const board = { ...withMap((u, v) => (u > 0.5 && v > 0.5 ? 0 : 0.8)), outline };
    const about = boardAbout(board, 0.45 * length_m, 0.45 * width_m);
    expect(about.area_m2).toBeCloseTo(0.75 * length_m * width_m, 12);
    expect(equivalentRadius_m(about) ** 2 * Math.PI).toBeCloseTo(0.75 * length_m * width_m, 12);
    for (const share of shares(about.copper[0]!)) expect(share).toBeCloseTo(0.8, 9);
  });
});

describe('a pin on a plane', () => {
  // Rule broken: findings M6, imported copper reached half of the heat model.
  it('melts later within a pour than where the artwork shows little copper about it, told share alike', () => {
    const melt_s = (share: number): number => {
      const request = planRequest({ '2': [planeOn(2)] });
      const board = { ...request.board, maps: request.board.copper.map(() => mapped(() => share)) };
      const scenario = scenarioFor({ ...request, board }, settingAt(380), '2');
      return simulateJoint(scenario, { duration_s: 12 }).fullMelt_s ?? Infinity;
    };
    expect(melt_s(0.9)).toBeGreaterThan(1.1 * melt_s(0.2));
  });

  it('melts as before where the artwork shows what was told', () => {
    const request = planRequest({ '2': [planeOn(2)] });
    const told = scenarioFor(request, settingAt(440), '2');
    const maps = request.board.copper.map((layer) => mapped(() => layer.coverage));
    const shown = scenarioFor({ ...request, board: { ...request.board, maps } }, settingAt(440), '2');
    const melt = (scenario: typeof told): number => simulateJoint(scenario, { duration_s: 12 }).fullMelt_s!;
    // Shares are told to a twentieth.
    expect(melt(shown) / melt(told)).toBeGreaterThan(0.97);
    expect(melt(shown) / melt(told)).toBeLessThan(1.03);
  });
});
