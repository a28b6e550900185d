import { cusumOfCounts, intervalForMix } from '~/core/statistics/charts/cusum';
import { pChart, shareOfAll, type PChart } from '~/core/statistics/charts/pChart';
import { designOf } from '~/core/statistics/design';
import { brokenRules, type Broken } from '~/core/statistics/charts/runRules';
import type { Count } from '~/core/statistics/rates';
import { jobCount } from './harmRates';
import { middle } from './results';
import { monthsBetween, monthsOf } from './months';
import { risksOf } from './risks';
import type { HarmId } from './harms';
import type { JobFacts } from './jobFacts';

/** A chart looks for odds that have grown so many times. */
const WORSE = 3;
/** It may cry wolf once in so many years of the workshop's own pace: more often, and nobody looks any more. */
export const FALSE_ALARM_years = 10;
/** A workshop that has just begun is reckoned with as if it had been at it for so long, years. */
const LEAST_years = 0.25;
const YEAR_ms = 365.25 * 86_400_000;
/** So much has to be counted before there is anything usual to hold against. */
const LEAST_COUNTED = 60;

/** Months, in order, none left out: "2026-09" with its jobs. */
export interface Period {
  readonly month: string;
  readonly jobs: number;
  readonly counted: Count;
}

/** Since when it is worse, as the cumulative sum has it. */
export interface Signal {
  /** The first job of the change, and the one at which it could be said. */
  readonly beganWith: JobFacts;
  readonly seenWith: JobFacts;
  /** Before, and since. */
  readonly before: Count;
  readonly since: Count;
}

export interface OverTime {
  readonly harm: HarmId;
  readonly periods: readonly Period[];
  readonly chart: PChart;
  /** By how many times its counts vary more than chance would have it: pads of one job go wrong together. */
  readonly design: number;
  readonly broken: readonly Broken[];
  /** The cumulative sum after each job, in order of closing, with the height at which it signals. */
  readonly sums: readonly { readonly jobId: string; readonly at_ms: number; readonly sum: number }[];
  readonly interval: number;
  readonly signal: Signal | null;
}

/** A harm over time, by months with limits and job by job with a cumulative sum; null where no job was closed. */
export function overTime(facts: readonly JobFacts[], harm: HarmId): OverTime | null {
  if (facts.length === 0) return null;
  const jobs = [...facts].sort((a, b) => a.closedAt_ms - b.closedAt_ms);
  const months = monthsOf(jobs.map((job) => job.closedAt_ms));
  const counts = jobs.map((job) => jobCount(job, harm));
  const periods = periodsOf(months, counts);
  const risks = risksOf(jobs, counts);
  const usual = usualShare(counts, risks);
  const usuals = risks.map((risk) => Math.min(MOST_USUAL, usual * risk));
  const design = designOf(counts.map((count, i) => ({ ...count, usual: usuals[i]!, spell: months[i]! })));
  const chart = pChart(
    periods.map((p) => p.counted),
    usual,
    centresOf(periods, months, counts, usuals, usual),
    design,
  );
  // Pads that go wrong together count for as much less as they do, in the sum and in what chance makes of it.
  const mix = counts.map(({ bad, of }, i) => ({ bad: bad / design, of: of / design, usual: usuals[i]! }));
  const interval = intervalForMix(mix, WORSE, falseAlarmIn(jobs, counts) / design);
  const sums = usual > 0 ? cusumOfCounts(mix, WORSE) : counts.map(() => ({ sum: 0, since: 0 }));
  return {
    harm,
    periods,
    chart,
    design,
    broken: brokenRules(chart.points.map((p) => p.z)),
    sums: sums.map(({ sum }, i) => ({ jobId: jobs[i]!.jobId, at_ms: jobs[i]!.closedAt_ms, sum })),
    interval,
    signal: signalIn(jobs, counts, sums, interval),
  };
}

/** What was counted in each month from the first to the last. */
function periodsOf(months: readonly string[], counts: readonly Count[]): Period[] {
  const sums = new Map<string, { jobs: number; bad: number; of: number }>();
  months.forEach((month, i) => {
    const sum = sums.get(month) ?? { jobs: 0, bad: 0, of: 0 };
    sums.set(month, sum);
    sum.jobs++;
    sum.bad += counts[i]!.bad;
    sum.of += counts[i]!.of;
  });
  return monthsBetween(months[0]!, months.at(-1)!).map((month) => {
    const { jobs, ...counted } = sums.get(month) ?? { jobs: 0, bad: 0, of: 0 };
    return { month, jobs, counted };
  });
}

/** Joints, or jobs, in which one false alarm is lived with. */
function falseAlarmIn(jobs: readonly JobFacts[], counts: readonly Count[]): number {
  const years = Math.max(LEAST_years, (jobs.at(-1)!.closedAt_ms - jobs[0]!.closedAt_ms) / YEAR_ms);
  return (FALSE_ALARM_years * counts.reduce((sum, c) => sum + c.of, 0)) / years;
}

/** What was usual for the work of each month: some have more of what seldom goes well. */
function centresOf(
  periods: readonly Period[],
  months: readonly string[],
  counts: readonly Count[],
  usuals: readonly number[],
  usual: number,
): number[] {
  const sums = new Map<string, { expected: number; of: number }>();
  months.forEach((month, i) => {
    const sum = sums.get(month) ?? { expected: 0, of: 0 };
    sums.set(month, sum);
    sum.expected += usuals[i]! * counts[i]!.of;
    sum.of += counts[i]!.of;
  });
  return periods.map(({ month }) => {
    const sum = sums.get(month);
    return sum && sum.of > 0 ? sum.expected / sum.of : usual;
  });
}

/** However often something goes wrong with a kind of work, it is not the rule. */
const MOST_USUAL = 0.5;

/**
 * What is usual for work of the common risk: of spells in which a few are expected to go wrong, the middle one. A bad spell of
 * under half of the time is then not the measure of itself, as a mean would have it. Nothing is usual before enough was counted.
 */
function usualShare(counts: readonly Count[], risks: readonly number[]): number {
  const all = shareOfAll(counts);
  if (all === 0 || counts.reduce((sum, c) => sum + c.of, 0) < LEAST_COUNTED) return 0;
  const spells = spellsOf(counts, risks, EXPECTED / all);
  // The middle of a Poisson count lies a third beneath its mean.
  return spells.length < 3 ? all : middle(spells.map(({ bad, of, risk }) => (bad + 1 / 3) / (of * risk)));
}
const EXPECTED = 6;

/** Jobs one after another in spells of at least so many joints, with the risk of their work together. */
function spellsOf(
  counts: readonly Count[],
  risks: readonly number[],
  least: number,
): (Count & { readonly risk: number })[] {
  const spells: { bad: number; of: number; risk: number }[] = [];
  counts.forEach(({ bad, of }, i) => {
    const last = spells.at(-1);
    if (!last || last.of >= least) spells.push({ bad, of, risk: risks[i]! });
    else {
      last.risk = (last.risk * last.of + risks[i]! * of) / Math.max(1, last.of + of);
      last.bad += bad;
      last.of += of;
    }
  });
  return spells;
}

/** Two that go wrong in a row are no change yet, however seldom one does (common practice). */
const LEAST_BAD = 3;

/** The first change that is more than chance: begun where the sum last left nothing. */
function signalIn(
  jobs: readonly JobFacts[],
  counts: readonly Count[],
  sums: readonly { readonly sum: number; readonly since: number }[],
  interval: number,
): Signal | null {
  const seen = sums.findIndex(
    ({ sum, since }, i) =>
      sum > interval && counts.slice(i + 1 - since, i + 1).reduce((all, c) => all + c.bad, 0) >= LEAST_BAD,
  );
  if (seen < 0) return null;
  const began = seen + 1 - sums[seen]!.since;
  // The spell lasts until the sum is back at nothing.
  const over = sums.findIndex(({ sum }, i) => i > seen && sum === 0);
  const all = (from: number, to: number): Count =>
    counts.slice(from, to).reduce((a, c) => ({ bad: a.bad + c.bad, of: a.of + c.of }), { bad: 0, of: 0 });
  return {
    beganWith: jobs[began]!,
    seenWith: jobs[seen]!,
    before: all(0, began),
    since: all(began, over < 0 ? counts.length : over),
  };
}
