import { TIP_CONTACT } from '~/core/materials/tips';
import { LASTING } from './lasting';
import type { JobHeats } from './heatSeen';

/** A tip that passes less heat from some day on. */
export interface Drift {
  readonly since_ms: number;
  /** By so many standard deviations of what lasts of it each millisecond. */
  readonly slope: number;
  /** Contact resistance now against before, as so many times. */
  readonly times: number;
}

/** Without so many jobs before and after, nothing is said of a day between them. */
const LEAST_EITHER_WAY = 4;

/**
 * How much likelier two lines have to be than one level, in twice the logarithm: with some thirty days to choose from, one
 * tip in a hundred that does not wear is called worn (held by a test).
 */
const BEYOND_CHANCE = 16;

/** What a job says of its tip's contact, in standard deviations of what lasts of it, and how surely. */
interface Told {
  readonly at_ms: number;
  readonly contact: number;
  readonly weight: number;
}

/** Contact of each job by itself; one that hardly feels it tells little. */
function toldBy({ at_ms, heats }: JobHeats): Told | null {
  let [sum, weight] = [0, 0];
  for (const { by, pace, level, own } of heats) {
    const w = (by.contact / own) ** 2;
    sum += w * ((pace - level) / by.contact);
    weight += w;
  }
  if (!(weight > 0)) return null;
  const ofJob = heats.reduce((s, h) => s + (h.ofJob / h.by.contact) ** 2, 0) / heats.length;
  return { at_ms, contact: sum / weight, weight: 1 / (1 / weight + ofJob) };
}

/**
 * The day from which on a tip's jobs say less and less heat, if there is one: a level and then a line against a level
 * alone, by least squares, the day the likeliest of them (a broken line; Hinkley 1971). A heating that was not seen to melt
 * counts as molten when it ended: it was slower, never quicker.
 */
export function driftOf(jobs: readonly JobHeats[]): Drift | null {
  const told = jobs.flatMap((job) => toldBy(job) ?? []).sort((a, b) => a.at_ms - b.at_ms);
  if (told.length < 2 * LEAST_EITHER_WAY) return null;
  const level = fit(told, null);
  let best: { at_ms: number; gain: number; rise: number; slope: number } | null = null;
  for (let i = LEAST_EITHER_WAY; i <= told.length - LEAST_EITHER_WAY; i++) {
    const from_ms = told[i - 1]!.at_ms;
    const broken = fit(told, from_ms);
    const rise = broken.slope * (told.at(-1)!.at_ms - from_ms);
    const gain = level.misfit - broken.misfit;
    if (rise > 0 && (best === null || gain > best.gain))
      best = { at_ms: from_ms, gain, rise, slope: broken.slope };
  }
  // The spread of the jobs about their line is what they show, where that is more than was assumed.
  if (!best) return null;
  const excess = Math.max(1, (level.misfit - best.gain) / Math.max(1, told.length - 3));
  if (best.gain / excess < BEYOND_CHANCE) return null;
  const perDeviation = TIP_CONTACT.wettedResistivity.uncertainty * Math.sqrt(LASTING.contact);
  return { since_ms: best.at_ms, slope: best.slope, times: Math.exp(perDeviation * best.rise) };
}

/** Jobs as they would have gone with the tip as it is after the last of them. */
export function asWornNow(jobs: readonly JobHeats[], { since_ms, slope }: Drift): JobHeats[] {
  const now_ms = Math.max(...jobs.map((job) => job.at_ms));
  return jobs.map((job) => {
    const yet = slope * (now_ms - Math.max(since_ms, job.at_ms));
    return { ...job, heats: job.heats.map((h) => ({ ...h, pace: h.pace + h.by.contact * yet })) };
  });
}

/** Weighted least squares of a level, and of a line that begins at a day. */
function fit(told: readonly Told[], from_ms: number | null): { misfit: number; slope: number } {
  const x = told.map(({ at_ms }) => (from_ms === null ? 0 : Math.max(0, at_ms - from_ms)));
  const sum = (of: (t: Told, x: number) => number): number =>
    told.reduce((s, t, i) => s + t.weight * of(t, x[i]!), 0);
  const w = sum(() => 1);
  const [mx, my] = [sum((_, xi) => xi) / w, sum((t) => t.contact) / w];
  const sxx = sum((_, xi) => (xi - mx) ** 2);
  const slope = sxx > 0 ? sum((t, xi) => (xi - mx) * (t.contact - my)) / sxx : 0;
  return { slope, misfit: sum((t, xi) => (t.contact - my - slope * (xi - mx)) ** 2) };
}
