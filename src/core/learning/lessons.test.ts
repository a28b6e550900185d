import { describe, expect, it } from 'vitest';
import { normalQuantile } from '~/core/statistics/normal';
import { uniformStream } from '~/core/statistics/random';
import { driftOf } from './drift';
import type { HeatSeen, JobHeats } from './heatSeen';
import { contactTold, knownOf } from './lasting';
import { fitLessons } from './lessons';

const DAY_ms = 86_400_000;
const BY = { contact: -0.25, tipOffset: 0.12, copper: -0.06 };
const [OF_JOB, OWN] = [0.25, 0.3];

interface Bench {
  readonly normal: () => number;
  readonly contact: number;
  readonly tipOffset: number;
}

const bench = (seed: number): Bench => {
  const random = uniformStream(seed);
  const normal = (): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
  return { normal, contact: normal(), tipOffset: normal() };
};

/** Jobs of three heatings each on boards of their own, seen as a bench of known truth would show them. */
function jobsOf(
  { normal, contact, tipOffset }: Bench,
  count: number,
  { worn = () => 0, gaveUp = Infinity }: { worn?: (day: number) => number; gaveUp?: number } = {},
): JobHeats[] {
  return Array.from({ length: count }, (_, day) => {
    const [job, copper] = [normal(), normal()];
    return {
      job: `job-${day}`,
      at_ms: day * DAY_ms,
      tip: 'tip',
      board: `board-${day}`,
      heats: Array.from({ length: 3 }, (): HeatSeen => {
        const pace =
          -0.3 +
          BY.contact * (contact + worn(day)) +
          BY.tipOffset * tipOffset +
          BY.copper * copper +
          OF_JOB * job +
          OWN * normal();
        const molten = pace > -gaveUp;
        return {
          level: -0.3,
          by: BY,
          ofJob: OF_JOB,
          own: OWN,
          pace: molten ? pace : -gaveUp,
          molten,
        };
      }),
    };
  });
}

const TENTH_z = 1.2816;

describe('what lasts from job to job', () => {
  it('holds the truth in eight of ten of its intervals, and narrows with the jobs', () => {
    let covered = 0;
    const spreads: number[] = [];
    for (let seed = 1; seed <= 120; seed++) {
      const true_ = bench(seed);
      const { contact } = fitLessons(jobsOf(true_, 8)).tips.get('tip')!;
      if (Math.abs(contact.mean - true_.contact) <= TENTH_z * contact.spread) covered++;
      spreads.push(contact.spread);
    }
    // Three standard errors of 0.8 over 120 benches are 0.11.
    expect(covered / 120).toBeGreaterThan(0.69);
    expect(covered / 120).toBeLessThan(0.91);
    expect(Math.max(...spreads)).toBeLessThan(0.8);
  });

  it('stays as published where nothing was seen, and moves little by one job', () => {
    expect(fitLessons([]).tips.size).toBe(0);
    const slow = { ...bench(3), contact: 2 };
    const after = (count: number): number => fitLessons(jobsOf(slow, count)).tips.get('tip')!.contact.mean;
    expect(Math.abs(after(1))).toBeLessThan(1);
    expect(after(30)).toBeGreaterThan(1.2);
    expect(contactTold({ mean: 0, spread: 1 }).most).toBe(1);
  });

  it('counts what was not seen to melt as slower, not as unseen', () => {
    const slow = { ...bench(5), contact: 2.5 };
    const censored = jobsOf(slow, 12, { gaveUp: 0.9 });
    const dropped = censored.map((job) => ({ ...job, heats: job.heats.filter((h) => h.molten) }));
    expect(censored.flatMap((j) => j.heats).filter((h) => !h.molten).length).toBeGreaterThan(3);
    const [counted, left] = [censored, dropped].map((jobs) => fitLessons(jobs).tips.get('tip')!.contact.mean);
    expect(counted!).toBeGreaterThan(left! + 0.2);
  });

  it('is not condemned by one key pressed by mistake', () => {
    const jobs = jobsOf({ ...bench(7), contact: 0 }, 10);
    const slipped = jobs.map((job, j) =>
      j === 4 ? { ...job, heats: job.heats.map((h) => ({ ...h, pace: h.pace - 6 })) } : job,
    );
    const [well, ill] = [jobs, slipped].map((of) => fitLessons(of).tips.get('tip')!.contact.mean);
    expect(Math.abs(ill! - well!)).toBeLessThan(0.6);
  });

  it('narrows what the next plan draws, and leaves what it knows nothing of as published', () => {
    const iron = { toolId: 'i', tip: { shape: 'chisel', width_m: 2e-3, construction: 'cartridge' } } as const;
    const known = knownOf(
      {
        tips: [{ ...iron, contact: { mean: 1, spread: 0.5 }, tipOffset: { mean: 0, spread: 1 } }],
        copper: { mean: 0, spread: 1 },
      },
      { tool: { id: 'i' }, tip: iron.tip },
    )!;
    expect(known.contact!.shift).toBeCloseTo(Math.sqrt(0.4), 9);
    expect(known.contact!.scale).toBeCloseTo(Math.sqrt(1 - 0.4 + 0.4 * 0.25), 9);
    expect(known.tipOffset).toEqual({ shift: 0, scale: 1 });
    expect(known.laminate).toBeUndefined();
  });
});

describe('a tip that wears', () => {
  it('is told, with the day it began within a fortnight', () => {
    const found = Array.from({ length: 40 }, (_, i) =>
      driftOf(jobsOf(bench(100 + i), 45, { worn: (day) => Math.max(0, day - 20) * 0.16 })),
    );
    const told = found.filter((d) => d !== null);
    expect(told.length).toBeGreaterThan(32);
    const days = told.map((d) => d.since_ms / DAY_ms).sort((a, b) => a - b);
    expect(Math.abs(days[Math.floor(days.length / 2)]! - 20)).toBeLessThan(7);
    for (const d of told) expect(d.times).toBeGreaterThan(1.5);
  });

  it('is not told of one in fifty that do not', () => {
    const told = Array.from({ length: 200 }, (_, i) => driftOf(jobsOf(bench(400 + i), 45)));
    expect(told.filter((d) => d !== null).length).toBeLessThanOrEqual(4);
  });
});
