import { describe, expect, it } from 'vitest';
import { planRequest, trackOn } from '../../../../tests/support/samples';
import { kelvin } from '~/core/quantity/convert';
import { boardTemperature_K } from '~/core/thermal/preheat';
import type { Preheater } from '../bench';
import { warmthsOf } from './warmths';

const request = planRequest({ '1': [trackOn(4)] });
const heater = (kind: Preheater['kind'], most_C: number): Preheater => ({
  id: 'pre',
  name: 'Preheater',
  kind,
  setpointRange_K: [kelvin(60), kelvin(most_C)],
});
const boards_K = (of: Preheater): number[] =>
  warmthsOf(request, of).map((preheat) => boardTemperature_K(request.board, preheat, request.ambient_K));

// Rule broken: findings M1 and M2 (plan), one warmth was known for irons, 150 °C for two minutes, whatever the source.
describe('warmths that are tried under a tool in the hand', () => {
  it.each([
    ['convective', 200],
    ['plate', 200],
    ['infrared', 350],
  ] as const)(
    '%s: the usual one first, then warmer boards, none over what laminate and parts stand',
    (kind, most_C) => {
      const boards = boards_K(heater(kind, most_C));
      expect(boards.length).toBeGreaterThan(2);
      for (let i = 1; i < boards.length; i++) expect(boards[i]!).toBeGreaterThan(boards[i - 1]!);
      expect(boards.at(-1)!).toBeGreaterThan(kelvin(135));
      expect(Math.max(...boards)).toBeLessThan(kelvin(160));
    },
  );

  it('no preheater is asked for more than it gives', () => {
    for (const { setpoint_K } of warmthsOf(request, heater('convective', 165)))
      expect(setpoint_K).toBeLessThanOrEqual(kelvin(165) + 1e-9);
    expect(warmthsOf(request, heater('infrared', 150))).toHaveLength(1);
  });
});
