import type { Spread } from '~/core/statistics/percentile';
import { normalQuantile } from '~/core/statistics/normal';
import { HANDS } from './hands';

/** How long hands took over what they were foretold, over some jobs: the mean logarithm of that ratio. */
export interface PaceSeen {
  readonly jobs: number;
  readonly meanLog: number;
}

/**
 * The same for whoever is to do a job, and for everyone else here; and of each way, by all of them, over what their jobs
 * take on the whole.
 */
export interface PaceRecord {
  readonly own: PaceSeen;
  readonly others: PaceSeen;
  readonly ways: readonly (PaceSeen & { readonly method: string })[];
}

/** How fast hands are reckoned to be: times foretold by the figures alone, and how far a job may lie from it. */
export interface Pace {
  /** 1.3 takes three tenths longer than the figures say. */
  readonly ratio: number;
  /** Standard deviation of a coming job's logarithm. */
  readonly sd: number;
  /** How much of it comes from the record, 0 to 1, and from how many jobs. */
  readonly share: number;
  readonly own: number;
  readonly others: number;
  /** How much longer this way takes than the others, which is in the ratio; and from how many jobs that is known. */
  readonly way: { readonly ratio: number; readonly jobs: number };
}

interface Held {
  readonly mean: number;
  readonly variance: number;
}

/**
 * What is held of a person's pace in one way after what was seen: the workshop leans on the figures, a person on the workshop,
 * a way on all of them, each by what they are known to differ by (normal on the logarithm; Gelman and others, Bayesian Data
 * Analysis, ch. 5).
 */
export function paceOf(record: PaceRecord | undefined, method: string): Pace {
  const { own, others, ways } = record ?? NONE;
  // However many jobs the others did, they may all be of one person.
  const workshop = after(held('workshops'), others, VARIANCE.people + VARIANCE.jobs / others.jobs);
  const before = { mean: workshop.mean, variance: workshop.variance + VARIANCE.people };
  const person = after(before, own, VARIANCE.jobs / own.jobs);
  const seen = ways.find((one) => one.method === method) ?? NOTHING;
  const way = after(held('ways'), seen, VARIANCE.jobs / seen.jobs);
  const variance = person.variance + way.variance;
  return {
    ratio: Math.exp(person.mean + way.mean),
    sd: Math.sqrt(variance + VARIANCE.jobs),
    share: 1 - variance / (VARIANCE.workshops + VARIANCE.people + VARIANCE.ways),
    own: own.jobs,
    others: others.jobs,
    way: { ratio: Math.exp(way.mean), jobs: seen.jobs },
  };
}

const NOTHING: PaceSeen = { jobs: 0, meanLog: 0 };
const NONE: PaceRecord = { own: NOTHING, others: NOTHING, ways: [] };

const VARIANCE = {
  workshops: HANDS.workshops.value ** 2,
  people: HANDS.people.value ** 2,
  ways: HANDS.ways.value ** 2,
  jobs: HANDS.jobs.value ** 2,
};
const held = (of: keyof typeof VARIANCE): Held => ({ mean: 0, variance: VARIANCE[of] });

/** What is held after a mean of so much variance was seen. */
function after(before: Held, { jobs, meanLog }: PaceSeen, variance: number): Held {
  if (jobs === 0) return before;
  const weight = before.variance / (before.variance + variance);
  return {
    mean: before.mean + weight * (meanLog - before.mean),
    variance: (1 - weight) * before.variance,
  };
}

/** What of a step its time is reckoned from. */
export interface TimedStep {
  readonly id: string;
  readonly kind: 'gate' | 'do' | 'heat' | 'wait' | 'inspect';
  readonly wait_s: number | null;
}

/** What the ways of a job take: of hands about the heat, and of heat and soaks. */
export interface WayTimes {
  readonly hands_s: number;
  readonly heat_s: number;
}

/** What a job is foretold to take. */
export interface JobTimes {
  /** Of hands, by the figures alone: what a record of pace is held against. */
  readonly figures_s: number;
  /** Of hands at the pace that is reckoned with, from one in ten to nine in ten. */
  readonly hands_s: Spread;
  /** Of heat and soaks, the same for everyone. */
  readonly heat_s: number;
  /** Of clocks that run by themselves: those at which a hand stays, and those that it leaves the bench for. */
  readonly clocks_s: number;
  readonly away_s: number;
}

/** A pause as long as this is no work: somebody left the bench (common practice of time studies). */
export const PAUSE_s = 900;

/** How long a job takes: every step's own hands, its ways' hands, heat and clocks. */
export function jobTimes(
  steps: readonly TimedStep[],
  ways: WayTimes,
  { ratio, sd }: Pick<Pace, 'ratio' | 'sd'>,
): JobTimes {
  const figures_s = ways.hands_s + sum(steps.map(({ kind }) => handsOf(kind)));
  const p50 = ratio * figures_s;
  const spread = Math.exp(TENTH * sd);
  // A soak's clock is among the ways' heat already.
  const clocks = steps.map(({ id, wait_s }) => (/(^|-)preheat$/.test(id) ? 0 : (wait_s ?? 0)));
  return {
    figures_s,
    hands_s: { p10: p50 / spread, p50, p90: p50 * spread },
    heat_s: ways.heat_s,
    clocks_s: sum(clocks.filter((wait_s) => wait_s <= PAUSE_s)),
    away_s: sum(clocks.filter((wait_s) => wait_s > PAUSE_s)),
  };
}
/** From one in ten to the middle, in standard deviations. */
const TENTH = normalQuantile(0.9);

function handsOf(kind: TimedStep['kind']): number {
  switch (kind) {
    case 'gate':
      return HANDS.gate_s.value;
    case 'do':
      return HANDS.do_s.value;
    case 'inspect':
      return HANDS.inspect_s.value;
    case 'heat':
    case 'wait':
      return 0;
  }
}

/** Of a job's whole time from its first press to its last, or of the work in it alone. */
export const spreadOfJob = (
  { hands_s, heat_s, clocks_s, away_s }: JobTimes,
  of: 'whole' | 'work',
): Spread => {
  const rest_s = heat_s + clocks_s + (of === 'whole' ? away_s : 0);
  return { p10: hands_s.p10 + rest_s, p50: hands_s.p50 + rest_s, p90: hands_s.p90 + rest_s };
};

/**
 * How long hands took over what the figures say, from a job's work; null where its clocks and heat were cut short, or hands were
 * mostly at something else.
 */
export function paceSeen(
  worked_s: number,
  { figures_s, heat_s, clocks_s }: Pick<JobTimes, 'figures_s' | 'heat_s' | 'clocks_s'>,
): number | null {
  const hands_s = worked_s - heat_s - clocks_s;
  const ratio = hands_s / figures_s;
  return ratio > LEAST && ratio < MOST ? ratio : null;
}
/** Hands that took less than this share of the figures did not do the steps, and those that took so many times more did not only those. */
const [LEAST, MOST] = [0.1, 10];

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
