import { fieldBand, type FieldBand } from '~/core/thermal/field/bands';
import type { Spread } from '~/core/statistics/percentile';
import { celsius } from '~/core/quantity/convert';
import { airFieldScenario, type AirFieldAsk } from './airField';

/** 10, 50 and 90 % of a figure over the draws; null where that share never got there. */
interface SpreadAnswer {
  readonly p10: number | null;
  readonly p50: number | null;
  readonly p90: number | null;
}

/** A hot-air run with its uncertain inputs drawn many times, in bench units; times count from the air. */
export interface FieldBandAnswer {
  readonly draws: number;
  readonly of: number;
  readonly lastMelt_s: SpreadAnswer;
  readonly partPeak_C: SpreadAnswer;
  readonly chanceSolid: number;
  readonly chanceOverLimit: number;
}

/** Streams the band of a hot-air run; null while a draw is being solved. */
export function* solveFieldBand(
  ask: AirFieldAsk,
  options: { readonly draws: number; readonly seed: number },
): Generator<FieldBandAnswer | null, FieldBandAnswer> {
  const { scenario, soak_s } = airFieldScenario(ask);
  const steps = fieldBand(scenario, options);
  for (;;) {
    const next = steps.next();
    if (next.done) return answerOf(next.value, options.draws, soak_s);
    yield next.value && answerOf(next.value, options.draws, soak_s);
  }
}

const answerOf = (band: FieldBand, of: number, soak_s: number): FieldBandAnswer => ({
  draws: band.draws,
  of,
  lastMelt_s: spreadIn(band.lastMelt_s, (time_s) => time_s - soak_s),
  partPeak_C: spreadIn(band.bodyPeak_K, celsius),
  chanceSolid: band.chanceSolid,
  chanceOverLimit: band.chanceOverLimit,
});

const spreadIn = (spread: Spread, to: (value: number) => number): SpreadAnswer => {
  const known = (value: number): number | null => (Number.isFinite(value) ? to(value) : null);
  return { p10: known(spread.p10), p50: known(spread.p50), p90: known(spread.p90) };
};
