import { describe, expect, it } from 'vitest';
import { HANDS } from './hands';
import { jobTimes, paceOf, paceSeen, spreadOfJob, type Pace, type PaceRecord } from './pace';

const none = { jobs: 0, meanLog: 0 };
const [workshops, people, ways, jobs] = [HANDS.workshops, HANDS.people, HANDS.ways, HANDS.jobs].map(
  (p) => p.value ** 2,
) as [number, number, number, number];
const paceFrom = (record: Partial<PaceRecord>): Pace =>
  paceOf({ own: none, others: none, ways: [], ...record }, 'gun');

describe('the pace of hands', () => {
  it('is that of the figures where nothing was timed, as wide as workshops, people and jobs differ', () => {
    const pace = paceOf(undefined, 'gun');
    expect(pace).toMatchObject({ ratio: 1, share: 0, own: 0, others: 0 });
    expect(pace.sd).toBeCloseTo(Math.sqrt(workshops + people + ways + jobs), 12);
  });

  // Gelman and others, Bayesian Data Analysis, 3rd ed., section 2.5: precisions of a normal prior and of what was seen add up.
  it('leans on own jobs by the precisions of a normal mean', () => {
    const { ratio, share } = paceFrom({ own: { jobs: 4, meanLog: 0.4 } });
    const before = 1 / (workshops + people);
    const seen = 4 / jobs;
    expect(Math.log(ratio)).toBeCloseTo((0.4 * seen) / (before + seen), 12);
    const left = 1 / (before + seen) + ways;
    expect(share).toBeCloseTo(1 - left / (workshops + people + ways), 12);
  });

  it('takes all of a thousand own jobs, and of others no more than what people differ by', () => {
    expect(paceFrom({ own: { jobs: 1000, meanLog: 0.4 } }).ratio).toBeCloseTo(Math.exp(0.4), 3);
    const { ratio, sd } = paceFrom({ others: { jobs: 1000, meanLog: 0.4 } });
    const weight = workshops / (workshops + people + jobs / 1000);
    expect(Math.log(ratio)).toBeCloseTo(0.4 * weight, 12);
    expect(sd).toBeGreaterThan(Math.sqrt(people + jobs));
  });

  it('believes one’s own jobs before those of others', () => {
    const { ratio } = paceFrom({ own: { jobs: 30, meanLog: 0 }, others: { jobs: 300, meanLog: 0.6 } });
    expect(Math.log(ratio)).toBeLessThan(0.06);
  });

  it('is slower in a way that takes longer than others of the same hands, and in no other', () => {
    const seen = { method: 'joint-by-joint', jobs: 12, meanLog: 0.3 };
    const record = { own: { jobs: 40, meanLog: 0.1 }, others: none, ways: [seen] };
    const weight = ways / (ways + jobs / 12);
    const [slow, other] = [paceOf(record, 'joint-by-joint'), paceOf(record, 'gun')];
    expect(Math.log(slow.ratio / other.ratio)).toBeCloseTo(0.3 * weight, 12);
    expect(slow.way.jobs).toBe(12);
    expect(slow.way.ratio).toBeCloseTo(slow.ratio / other.ratio, 12);
    expect(slow.sd).toBeLessThan(other.sd);
  });

  it('is learnt right from jobs as they come: eight in ten lie in their bands', () => {
    // The same draws every time: a workshop, a person and jobs that differ as they are held to.
    let seed = 7;
    const next = (): number => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
    const normal = (): number => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
    let within = 0;
    for (let i = 0; i < 2000; i++) {
      const person = Math.sqrt(workshops) * normal() + Math.sqrt(people) * normal();
      const seen = Array.from({ length: i % 6 }, () => person + Math.sqrt(jobs) * normal());
      const meanLog = seen.length > 0 ? seen.reduce((a, b) => a + b, 0) / seen.length : 0;
      const { hands_s } = jobTimes(
        [],
        { hands_s: 100, heat_s: 0 },
        paceFrom({ own: { jobs: seen.length, meanLog } }),
      );
      const took_s = 100 * Math.exp(person + Math.sqrt(ways + jobs) * normal());
      if (took_s > hands_s.p10 && took_s < hands_s.p90) within++;
    }
    expect(within / 2000).toBeGreaterThan(0.77);
    expect(within / 2000).toBeLessThan(0.83);
  });
});

describe('how long a job takes', () => {
  const steps = [
    { id: 'gate', kind: 'gate', wait_s: null },
    { id: 'preheat', kind: 'wait', wait_s: 120 },
    { id: 'heat-1', kind: 'heat', wait_s: null },
    { id: 'clean', kind: 'do', wait_s: null },
    { id: 'dry', kind: 'wait', wait_s: 240 },
    { id: 'bake', kind: 'wait', wait_s: 8 * 3600 },
    { id: 'inspect', kind: 'inspect', wait_s: null },
  ] as const;
  const ways = { hands_s: 90, heat_s: 150 };

  it('adds up hands, heat and clocks; a soak is in the heat already, and a bake is nobody’s work', () => {
    const times = jobTimes(steps, ways, { ratio: 1, sd: 0 });
    const hands_s = 90 + HANDS.gate_s.value + HANDS.do_s.value + HANDS.inspect_s.value;
    expect(times).toMatchObject({ figures_s: hands_s, heat_s: 150, clocks_s: 240, away_s: 8 * 3600 });
    expect(spreadOfJob(times, 'work').p50).toBeCloseTo(hands_s + 150 + 240, 9);
    expect(spreadOfJob(times, 'whole').p50).toBeCloseTo(hands_s + 150 + 240 + 8 * 3600, 9);
  });

  it('is slower in its hands alone, and a record of it gives the pace back', () => {
    const times = jobTimes(steps, ways, { ratio: 1.5, sd: 0 });
    const worked_s = spreadOfJob(times, 'work').p50;
    expect(paceSeen(worked_s, times)).toBeCloseTo(1.5, 12);
  });

  it('tells no pace where hands were mostly at something else: no record is beyond what a plan takes', () => {
    const times = jobTimes(steps, ways, { ratio: 1, sd: 0 });
    expect(paceSeen(40 * times.figures_s, times)).toBeNull();
  });

  it('tells no pace where clocks were cut short', () => {
    const times = jobTimes(steps, ways, { ratio: 1, sd: 0 });
    expect(paceSeen(200, times)).toBeNull();
  });
});
