import { cubicMetresPerSecond } from '~/core/quantity/convert';
/** Choices behind a plan's numbers, each with its reason. */
export const PLAN = {
  /** From the last solder molten until the joint is moved: it lets the far end follow (assumed). */
  settle_s: 0.5,
  /** From seeing the melt to having the iron off (assumed, a practised hand). */
  reaction_s: 0.7,
  /** No dwell is planned longer: let it cool and try another way (common practice). */
  longestDwell_s: 12,
  /** A hand times touches of up to this share of the longest well: four seconds of twelve (common practice). */
  timedShare: 1 / 3,
  /** A tip drawn over many joints is given longer: each has it only in turn (common practice). */
  longestSweep_s: 30,
  /** With a low-melt alloy in every joint all of it stays liquid for minutes: that is what it is for (common practice). */
  longestLowMelt_s: 120,
  /** Held this many times as long as nine melts in ten take, something is not as planned: stop and look (assumed). */
  patience: 2,
  /** No stop comes before a hand can follow it (assumed). */
  leastStop_s: 2,
  /** Runs are followed this much past the longest dwell so that late melts are seen as late. */
  past_s: 2,
  /**
   * Share of a pad's remaining budget that one dwell may spend at the pessimistic end: removal,
   * dressing, fitting and one correction make four (assumed).
   */
  dwellShare: 0.25,
  /**
   * A pad that has less left than this, or nothing, is still given so much a dwell: the estimate is no proof that it
   * will lift, and the plan says that it overspends (assumed).
   */
  leastShare: 0.05,
  /** A lifted, torn, corroded or barrel-damaged land is given this share of a whole one's dwell (assumed). */
  hurtShare: 0.4,
  /** Chance that a pin is still solid at its stop, above which a setting is not offered: it costs a second try. */
  acceptableMiss: 0.2,
  /** Chance that a dwell kept to its stop overspends a budget: it costs a pad, so it is kept smaller. */
  acceptableHarm: 0.1,
  /** Where the best cold setting spends more than this the board is tried warm as well (assumed). */
  warmFrom: 0.02,
  /** A touch that a bad contact stretches so far past what a hand can time is tried warm too (assumed). */
  warmFromLate_s: 1,
  /** Damages closer than this share of the budget are the same within the estimate. */
  damageResolution: 0.01,
  setpointStep_K: 20,
  /** What is preferred is looked at this much hotter and colder: stations are set to ten (common practice). */
  fineStep_K: 10,
  /** Where an iron is begun by hand, when nothing better is known (assumed). */
  begin_C: 350,
  /** Colder tips melt no solder within the longest dwell; those settings are not tried. */
  leastSetpoint_K: 513.15,
  /**
   * Search and bands: over the bench’s tools and settings melts of pins come 1 % (median) and up to 2 % (nine in ten) after
   * those of runs with steps twenty times finer, of lands 4 and 6 %, well inside what is uncertain; held by a test.
   */
  tolerance_K: 50,
  /** Bands of a plan: the share at a tenth is good to two in a hundred. */
  draws: 200,
  /** A touch that is far from every limit is drawn this often, where that tells its tenths to what a hand can time. */
  leastDraws: 50,
  /** Nobody times an iron closer than this: a quarter of a second is what a hand needs to react (common practice). */
  timed_s: 0.2,
  /** So many settings of a method are drawn before the next method is tried. */
  proven: 6,
  /** Times under air closer than this are the same. */
  airResolution_s: 10,
  /** So many draws are handed out and shown at a time. */
  batch: 26,
  /** Dose curves are compared on this grid. */
  gridStep_s: 0.1,
  /** A neighbour's joint must stay this far under its solidus (heat.md: kept a margin). */
  neighbourMargin_K: 20,
  neighbourBody_K: 473.15,
  /** Solvent under a part needs more than three minutes (common practice). */
  underPartDry_s: 240,
  /** A joint that would not melt cools so long before it is heated again (common practice). */
  coolAgain_s: 60,
  /** A melt said this much before any was foretold, and in half of its time, is asked about (assumed). */
  surprise_s: 2,
  /** A body is touched without harm below this (ISO 13732-1, bare metal held for a minute 51 °C, from memory; a second’s touch stands 65). */
  cool_K: 323.15,
} as const;

/** Choices behind a hot-air plan, each with its reason. */
export const AIR = {
  /** From the last pad molten until the part is lifted: the tool is brought to it and it lets go (assumed). */
  settle_s: 3,
  /** No part is kept under air longer: another way is better by then (common practice). Small parts go sooner. */
  longest_s: 300,
  longestSmall_s: 120,
  /**
   * On a heavier board than this one (1.6 mm, four layers of 35 µm) as much longer as it holds more heat: a large part up
   * to ten minutes.
   */
  usualAreal_J_m2K: 3700,
  most_s: 600,
  smallPads: 44,
  /** Each time over the ramp a body stands counts like this share of a land's budget (assumed). */
  shockDamage: 0.01,
  /** A body that rises so many times as fast as it should is told of at a gate: below it the estimate is no wiser. */
  toldRamp: 1.2,
  /** From the planned lift until the hand has reacted (assumed). */
  reaction_s: 2,
  airStep_K: 10,
  /** Air below this melts nothing in time, above it chars flux and mask (common practice). */
  airRange_K: [533.15, 723.15],
  /** Joints of bismuth or indium are begun with air so far over their melt (assumed: as 260 °C is over tin–lead, and less). */
  overMelt_K: 60,
  /** So many settings of a preheater are tried, from a board so far over the room on (assumed). */
  warmSets: 6,
  leastWarm_K: 60,
  /** Soaked this many of its own time constants a board is within a tenth of settled. */
  soakConstants: 2.5,
  soakRange_s: [90, 300],
  /** Working distances that are tried: close, and drawn back (common practice). */
  standoffs_m: { close: 8e-3, back: 15e-3 },
  /** The distance the region is warmed from first (common practice: about a minute). */
  approachStandoff_m: 40e-3,
  approach_s: 60,
  /** So many flows are tried from a station's least to its greatest, each as many times the one before. */
  flows: 5,
  /** More flow than this moves a chip as its solder melts (common practice, about 20 L/min). */
  chipFlow_m3_s: cubicMetresPerSecond(20),
  chipFrom_kg: 0.1e-3,
  /** A nozzle reaches over the leads by this much on each side. */
  nozzleOverlap_m: 1e-3,
  /** Films of the unit runs are held as they stand here: midway between warm and molten. */
  filmsAt_K: 430,
  /** Unit runs step like this; the melt moves by under 2 s. */
  step_s: 2,
  /** Unit runs take the board in three layers, as they leave out so much else; full runs take every layer. */
  responseLayers: 3,
  /** And in cells twice as wide: what is chosen by them is run on the finest. */
  responseFinest_m: 2e-3,
  draws: 12,
  /** Held this many times the slowest draw's melt, something is not as planned (assumed). */
  patience: 1.3,
  /** So many settings are taken through the whole model before a method is given up. */
  verified: 6,
  /** Where a sure setting harms more than this, so many that are foretold gentler are run beside it; of those that harm at most this share so many are drawn. */
  gentler: 0.9,
  gentlerBy: 0.002,
  gentlerTried: 6,
  gentlerDrawn: 2,
  /** Settings closer than this are one setting to whoever turns the knob (common practice). */
  beside_K: 15,
  /** After one whose draws ran into the longest dwell only settings that take less than this share of its time are tried. */
  quicker: 0.75,
  /** Settings whose times under air lie closer than this share are not worth another full run. */
  tellApart: 0.15,
  /** Where air is begun by hand, when nothing better is known: set temperature, share of the flow's way, distance (assumed). */
  begin: { air_C: 360, flowShare: 0.3, standoff_mm: 8 },
  /** Foil leaves this much free about the nozzle. */
  foilGap_m: 3e-3,
  /** Slower than this while it cools: J-STD-020 allows 6 K/s (from memory). */
  coolRamp_K_s: 6,
  /** Air from farther off for so long as a body comes down. */
  awayAfter_s: 20,
  /** Shares of its way to the distance a region is warmed from, in equal times (assumed: a hand does it smoothly). */
  awaySteps: [1 / 4, 1 / 2, 3 / 4, 1],
  coolLongest_s: 900,
} as const;

/** A board warmed further than usual, under a tool in the hand. */
export const WARMTH = {
  /** Boards as laminate and parts stand them, the warmest first (common practice). */
  boards_K: [423.15, 408.15, 393.15],
  /** So close to one of them is it. */
  near_K: 8,
  /** What a preheater is set to where its range has it, from 80 to 350 °C (common practice). */
  sets_K: [353.15, 373.15, 393.15, 423.15, 453.15, 473.15, 493.15, 513.15, 553.15, 593.15, 623.15],
  /** A part that is to live keeps so much of its limit for the touch itself (assumed). */
  partMargin_K: 20,
  /** Less warmth than this over the room is none (assumed). */
  least_K: 30,
  /** How long the board is given (common practice). */
  soaks_s: [120, 180, 240, 300],
  /** A hotter source for a shorter soak, set in such steps (assumed). */
  quick_s: 90,
  setStep_K: 10,
} as const;

/** What is tried where nothing on the bench will do as it is usually set. */
export const REMEDY = {
  /** A board of many layers is warmed hotter and for longer (common practice: until its top passes 100 °C). */
  preheats: [
    { setpoint_K: 453.15, soak_s: 240 },
    { setpoint_K: 473.15, soak_s: 300 },
  ],
  /** A borrowed preheater is worth fetching where it warms the board by so much more (assumed). */
  warmer_K: 10,
} as const;

/** Weights that put unlike costs of a method on one scale: one land's whole budget is 1. Each is a judgement (assumed). */
export const RANK = {
  /** A second that a touch lasts past what a hand can time, with a bad contact: it is pulled early then, or held on. */
  perLateSecond: 0.015,
  /** Each habit of the trade that a setting goes against. */
  perHabit: 0.03,
  /** A hundred minutes of hands weigh as much as a land. */
  perMinute: 0.004,
  /** Losing a part that is meant to live, by what it is worth; the loss of the job comes on top. */
  partWeight: { cheap: 0.1, ordinary: 0.4, scarce: 1.5 },
  keptWeight: 0.3,
  /** A method's usual chance of harm is held as firmly as this many own jobs. */
  priorJobs: 20,
  /** A part that goes anyway may still be good, by what it is worth. */
  sacrificed: { cheap: 0, ordinary: 0.03, scarce: 0.5 },
} as const;
