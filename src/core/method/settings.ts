/** Choices behind a plan's numbers, each with its reason. */
export const PLAN = {
  /** From the last solder molten until the joint is moved: it lets the far end follow (assumed). */
  settle_s: 0.5,
  /** From seeing the melt to having the iron off (assumed, a practised hand). */
  reaction_s: 0.7,
  /** No dwell is planned longer: let it cool and try another way (common practice). */
  longestDwell_s: 12,
  /** Held this many times the slowest draw's melt, something is not as planned: stop and look (assumed). */
  patience: 2,
  /** No stop comes before a hand can follow it (assumed). */
  leastStop_s: 2,
  /** Runs are followed a little past the longest dwell so that late melts are seen as late. */
  horizon_s: 14,
  /**
   * Share of a pad's remaining budget that one dwell may spend at the pessimistic end: removal,
   * dressing, fitting and one correction make four (assumed).
   */
  dwellShare: 0.25,
  /** Chance that a pin is still solid at its stop, above which a setting is not offered: it costs a second try. */
  acceptableMiss: 0.2,
  /** Chance that a dwell kept to its stop overspends a budget: it costs a pad, so it is kept smaller. */
  acceptableHarm: 0.1,
  /** Damages closer than this share of the budget are the same within the estimate. */
  damageResolution: 0.01,
  setpointStep_K: 20,
  /** Search and bands: melt times stay within 2 % of a fine run, far inside what is uncertain. */
  tolerance_K: 25,
  draws: 300,
  batch: 25,
  /** Dose curves are compared on this grid. */
  gridStep_s: 0.1,
  /** A neighbour's joint must stay this far under its solidus (heat.md: kept a margin). */
  neighbourMargin_K: 20,
  neighbourBody_K: 473.15,
  /** A body is touched without harm below this (ISO 13732-1 metal, one second, from memory). */
  cool_K: 323.15,
} as const;
