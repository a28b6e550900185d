/** A scale on which melts are weighed: the sooner, the higher. */
export interface Scale {
  readonly paceOf: (melt_s: number) => number;
  readonly meltOf_s: (pace: number) => number;
  /** How much of it a second is there. */
  readonly perSecond: (melt_s: number) => number;
}

/** No melt comes sooner after touch-down than this. */
export const SOONEST_s = 0.05;

/** Where a touch nearly always melts: what slows it, slows it by so many times. */
export const LOGARITHM: Scale = {
  paceOf: (melt_s) => -Math.log(Math.max(SOONEST_s, melt_s)),
  meltOf_s: (pace) => Math.exp(-pace),
  perSecond: (melt_s) => 1 / Math.max(SOONEST_s, melt_s),
};

/** One over the time: it stays finite where a joint now and then never melts, whose time's logarithm has no slope. */
export const QUICKNESS: Scale = {
  paceOf: (melt_s) => 1 / Math.max(SOONEST_s, melt_s),
  meltOf_s: (pace) => (pace > 0 ? 1 / pace : Infinity),
  perSecond: (melt_s) => 1 / Math.max(SOONEST_s, melt_s) ** 2,
};

/** Draws that never melt are left out of the line up to this share, and after that they have to be in it. */
export const RARELY_NEVER = 0.03;
