import { normalCdf } from '~/core/statistics/normal';
import { PLAN } from '~/core/method/settings';
import { LikelyBenches, type Seen } from './bench';
import type { PhaseDraws } from './worlds';

/** What a touch is expected to come to by all that was seen so far. */
export interface Expected {
  readonly p10_s: number;
  readonly p50_s: number;
  readonly p90_s: number;
  readonly liftFrom_s: number;
  readonly stop_s: number;
  readonly holdAfterMelt_s: number;
  /** Touches it was learnt from. */
  readonly from: number;
  /** So many equally likely benches tell as much. */
  readonly effective: number;
}

/** The benches that may be this one, after what was seen. */
export function learnt(phase: PhaseDraws, seen: readonly Seen[]): LikelyBenches {
  const benches = new LikelyBenches(phase);
  for (const one of seen) benches.see(one);
  return benches;
}

/**
 * The window of a touch by those benches, by the same rules as a plan's bands (`method/hand/bands`): off once it settled,
 * stop where a tenth has met a limit while held, or well past the melt. Null where nothing is known of that touch.
 */
export function expectedOf(benches: LikelyBenches, touch: string, from: number): Expected | null {
  const known = benches.of(touch);
  if (!known) return null;
  const weights = benches.weights();
  const { pace, own, draws, scale } = known;
  const share = (at_s: number): number =>
    pace.reduce((sum, p, i) => sum + weights[i]! * normalCdf((p - scale.paceOf(at_s)) / own), 0);
  const melts_s = Array.from(pace, scale.meltOf_s);
  const quantile = (q: number): number => {
    let [low, high] = [1e-3, 4 * draws.longest_s];
    if (share(high) < q) return Infinity;
    for (let i = 0; i < 40; i++) {
      const middle = Math.sqrt(low * high);
      if (share(middle) < q) low = middle;
      else high = middle;
    }
    return Math.sqrt(low * high);
  };
  const [p10_s, p50_s, p90_s] = [quantile(0.1), quantile(0.5), quantile(0.9)];
  const limits_s = benches.limitsOf(draws);
  const off_s = (i: number): number => melts_s[i]! + PLAN.settle_s + PLAN.reaction_s;
  const byLimit = limits_s.map((_, i) => i).sort((a, b) => limits_s[a]! - limits_s[b]!);
  let harmed = 0;
  let stop_s = draws.longest_s;
  for (const i of byLimit) {
    if (limits_s[i]! >= draws.longest_s) break;
    if (limits_s[i]! < off_s(i)) harmed += weights[i]!;
    if (harmed >= PLAN.acceptableHarm) {
      stop_s = limits_s[i]!;
      break;
    }
  }
  const patient_s = Math.max(PLAN.leastStop_s, PLAN.patience * p90_s);
  stop_s = Math.min(stop_s, patient_s);
  return {
    p10_s,
    p50_s,
    p90_s,
    liftFrom_s: p50_s + PLAN.settle_s,
    stop_s,
    holdAfterMelt_s: heldAfter(melts_s, limits_s, weights, draws.longest_s, stop_s),
    from,
    effective: benches.effective,
  };
}

/** How long nine in ten of those that melt before the stop can be held after it. */
function heldAfter(
  melts_s: readonly number[],
  limits_s: readonly number[],
  weights: Float64Array,
  longest_s: number,
  stop_s: number,
): number {
  const holds = limits_s
    .map((limit, i) => [Math.min(limit, longest_s) - melts_s[i]!, weights[i]!, melts_s[i]!] as const)
    .filter(([, , melt_s]) => melt_s <= stop_s)
    .sort((a, b) => a[0] - b[0]);
  const all = holds.reduce((sum, [, w]) => sum + w, 0);
  let sum = 0;
  for (const [hold, w] of holds) {
    sum += w;
    if (sum >= 0.1 * all) return Math.max(0, hold);
  }
  return 0;
}
