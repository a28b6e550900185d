import { describe, expect, it } from 'vitest';
import { celsius, kelvin } from '~/core/quantity/convert';
import { boardTemperature_K } from '~/core/thermal/preheat';
import { inPhase, surfaceRequest } from '../../../../tests/support/samples';
import { warmSets_K } from './warmSets';

const request = inPhase(surfaceRequest({ family: 'soic', pins: 8 }));
const range = (from_C: number, to_C: number): [number, number] => [kelvin(from_C), kelvin(to_C)];

// Rule broken: findings M2 (plan), preheat was searched in the source's temperature, which says little of the board's.
describe('what a preheater is set to under air', () => {
  it('is as hot as its kind needs for the same board', () => {
    const boards_C = (kind: 'infrared' | 'convective'): number[] =>
      warmSets_K(request, { kind, soak_s: 300 }, range(60, 350)).map((setpoint_K) =>
        celsius(boardTemperature_K(request.board, { kind, setpoint_K, soak_s: 300 }, request.ambient_K)),
      );
    for (const boards of [boards_C('infrared'), boards_C('convective')]) {
      expect(boards).toEqual([...boards].sort((a, b) => a - b));
      expect(boards.at(-1)).toBeGreaterThan(140);
      expect(boards.at(-1)).toBeLessThanOrEqual(158);
    }
    const hottest = (kind: 'infrared' | 'convective'): number =>
      warmSets_K(request, { kind, soak_s: 300 }, range(60, 350)).at(-1)!;
    expect(hottest('infrared')).toBeGreaterThan(hottest('convective') + 10);
  });

  it('leaves every joint solid until the air comes', () => {
    const bismuth = { ...request, site: { ...request.site, alloy: 'sn42bi58' } } as const;
    const hottest_K = warmSets_K(bismuth, { kind: 'convective', soak_s: 300 }, range(60, 350)).at(-1)!;
    const warmed = { kind: 'convective', setpoint_K: hottest_K, soak_s: 300 } as const;
    expect(celsius(boardTemperature_K(request.board, warmed, request.ambient_K))).toBeLessThan(138 - 20);
  });

  it('is its most for a weak one and its least for one that is hot from the start', () => {
    expect(warmSets_K(request, { kind: 'infrared', soak_s: 90 }, range(50, 60))).toEqual([kelvin(60)]);
    expect(warmSets_K(request, { kind: 'convective', soak_s: 300 }, range(250, 300))).toEqual([kelvin(250)]);
  });
});
