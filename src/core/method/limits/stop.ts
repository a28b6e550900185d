import { firstReached_s, valueAt } from '~/core/thermal/history';

/** How long one touch may be held, and why no longer. */
export interface Stop {
  readonly stop_s: number;
  readonly because:
    | 'pad budget'
    | 'laminate budget'
    | 'part limit'
    | 'plastic limit'
    | 'longest dwell'
    | 'well past the melt';
}

/** Budget that one touch may spend at its pads, as shares of the whole. */
export interface Allowance {
  readonly padDose: number;
  readonly laminateDose: number;
  /** Body temperature not to be passed; infinite where the part is given up. */
  readonly body_K: number;
  /** The same for the plastic about a pin. */
  readonly plastic_K: number;
}

/** One touch held from touch-down: doses so far as shares of a life, and the body's temperature, over time. */
export interface Dwell {
  readonly time_s: Float64Array;
  readonly pad: Float64Array;
  readonly laminate: Float64Array;
  readonly body_K: Float64Array;
  /** Plastic about the pin; null where its body holds it otherwise. */
  readonly plastic_K: Float64Array | null;
}

/**
 * The earliest limit that a dwell meets. A run ends soon after its melt, from where doses and the body run on almost
 * straight: what comes later is read along their last slope.
 */
export function stopOf(dwell: Dwell, allowance: Allowance, longest_s: number): Stop {
  const limits: [Stop['because'], number][] = [
    ['pad budget', reached_s(dwell.time_s, dwell.pad, allowance.padDose)],
    ['laminate budget', reached_s(dwell.time_s, dwell.laminate, allowance.laminateDose)],
    ['part limit', reached_s(dwell.time_s, dwell.body_K, allowance.body_K)],
    [
      'plastic limit',
      dwell.plastic_K ? reached_s(dwell.time_s, dwell.plastic_K, allowance.plastic_K) : Infinity,
    ],
  ];
  let stop: Stop = { stop_s: longest_s, because: 'longest dwell' };
  for (const [because, at_s] of limits) {
    if (at_s < stop.stop_s) stop = { stop_s: at_s, because };
  }
  return stop;
}

/** When a rising curve reaches a level, past the end of its run too. */
function reached_s(time_s: Float64Array, curve: Float64Array, level: number): number {
  const within = firstReached_s(time_s, curve, level);
  if (within !== null) return within;
  const slope = lastSlope(time_s, curve);
  return slope > 0 ? time_s.at(-1)! + (level - curve.at(-1)!) / slope : Infinity;
}

/** A dose at any time, past the end of its run too. */
export function extended(time_s: Float64Array, dose: Float64Array, at_s: number): number {
  const end_s = time_s.at(-1)!;
  return at_s <= end_s
    ? valueAt(time_s, dose, at_s)
    : dose.at(-1)! + lastSlope(time_s, dose) * (at_s - end_s);
}

function lastSlope(time_s: Float64Array, curve: Float64Array): number {
  const last = time_s.length - 1;
  return (curve[last]! - curve[last - 1]!) / (time_s[last]! - time_s[last - 1]!);
}
