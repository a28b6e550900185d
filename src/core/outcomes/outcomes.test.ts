import { describe, expect, it } from 'vitest';
import { batchesHeld } from './batches';
import { changesAt } from './changes';
import { ageOf, boardKindOf, filtered, grouped } from './dimensions';
import { harmRates, surelyLess } from './harmRates';
import { harmsOf } from './harms';
import { besideBand, heldIn, type Seen } from './foretold';
import { heldOf, pointsTo } from './held';
import { copperOf, dosesOf, minutesOf, type JobFacts } from './jobFacts';
import { monthOf, monthsBetween } from './months';
import { overTime } from './overTime';
import { paretos, reworkIn } from './returns';
import { resultOf } from './results';
import { touchesSeen } from './touchesSeen';
import { parkedFor, staysOf } from './visits';

const DAY_ms = 86_400_000;
const BEGAN_ms = Date.UTC(2026, 0, 5);

const NONE = { early: 0, within: 0, late: 0, off: [] };
const NOTHING_HELD: JobFacts['held'] = { melt: NONE, dwell: NONE, peak: NONE, minutes: NONE };

let count = 0;
function job(
  changed: Partial<Omit<JobFacts, 'harms'>> & { harms?: Partial<JobFacts['harms']> } = {},
): JobFacts {
  count++;
  const { harms, ...told } = changed;
  const closedAt_ms = told.closedAt_ms ?? BEGAN_ms + count * DAY_ms;
  return {
    jobId: `job-${count}`,
    boardId: 'board-1',
    siteId: `site-${count}`,
    ref: 'C7',
    boardName: 'Door controller, car 7',
    laminate: 'fr4-standard',
    layers: 2,
    madeIn: 1998,
    alloy: 'sn63pb37',
    copper: 'track',
    family: 'dip',
    goal: 'replace',
    by: 'MK',
    method: 'gun',
    toolId: 'gun-vacuum',
    tool: 'Vacuum desoldering gun',
    tip: 'bore 1.0 mm',
    setpoint_C: 360,
    outcome: 'fixed',
    rootCause: null,
    acceptedAt_ms: closedAt_ms - 3_600_000,
    minutes: 20,
    joints: 16,
    heats: 16,
    foretoldDose: 0.05,
    dose: 0.06,
    peak_C: 260,
    held: NOTHING_HELD,
    solder: 'Wire 0.8 mm',
    flux: '',
    ...told,
    closedAt_ms,
    harms: { lifted: 0, torn: 0, bridged: 0, neighbour: 0, part: 0, ...harms },
  };
}
const melt = (seen: number, came = true): Seen => ({ low: 1, expected: 2, high: 3, seen, came });

describe('harms', () => {
  const found = (
    state: 'lifted' | 'bridged' | 'cracked',
    padId: string,
    siteId = 's1',
    foundAs = 'done-here',
  ) => ({ state, padId, siteId, foundAs }) as Parameters<typeof harmsOf>[1][number];

  it('count pads of the part that was worked on, each once', () => {
    const harms = harmsOf('s1', [found('lifted', 'p1'), found('lifted', 'p1'), found('lifted', 'p2')], null);
    expect(harms).toMatchObject({ lifted: 2, neighbour: 0 });
  });

  it('count a neighbour once a job, and nothing that came as received', () => {
    const of = [
      found('cracked', 'n1', 's2'),
      found('cracked', 'n2', 's2'),
      found('bridged', 'p1', 's1', 'as-received'),
    ];
    expect(harmsOf('s1', of, null)).toMatchObject({ neighbour: 1, bridged: 0 });
  });

  it('count a wrong, a turned and a bad part by what the fault came from', () => {
    for (const cause of ['wrong-part', 'turned-part', 'bad-part'] as const)
      expect(harmsOf('s1', [], cause).part).toBe(1);
    expect(harmsOf('s1', [], 'worn').part).toBe(0);
  });
});

describe('what is counted of one job', () => {
  it('takes minutes without the pauses in them', () => {
    const at = (min: number) => ({ at_ms: min * 60_000 });
    expect(minutesOf([at(0), at(4), at(10), at(200), at(203)])).toBe(13);
  });

  it('has the joint’s copper by its pad with the most', () => {
    expect(copperOf(['track', 'isolated', 'thermal-relief'])).toBe('thermal-relief');
    expect(copperOf([])).toBe('isolated');
  });

  it('has the first touch of each pad against its band, and none that was not foretold', () => {
    const dwell = (pad: string, melted_s: number | null, off_s: number) => ({
      stepId: 'heat',
      pad,
      onSeq: 1,
      on_ms: 0,
      melted_s,
      off_s,
      meltedSeq: null,
      offSeq: null,
      exposure: {
        padDose: 0.1,
        laminateDose: 0,
        peak_C: 250,
        ...(pad === '2' && { measured: 'thermocouple' as const }),
      },
    });
    const pins = [
      {
        pad: '1',
        pads: ['1', '2'],
        melt_s: { p10: 1, p50: 2, p90: 3 },
        liftFrom_s: 2.5,
        stop_s: 6,
        padPeak_C: { p10: 240, p50: 252, p90: 265 },
        stepIds: new Set(['heat']),
      },
    ];
    const {
      melt: melts,
      dwell: ended,
      peak,
    } = touchesSeen(pins, [dwell('1', null, 4), dwell('1', 1.5, 2), dwell('2', 2.2, 3), dwell('9', 1, 2)]);
    expect(melts.map(({ seen, came }) => [seen, came])).toEqual([
      [4, false],
      [2.2, true],
    ]);
    // From the soonest melt to the stop, about the moment from which the pin may be moved.
    expect(ended[1]).toEqual({ low: 1, expected: 2.5, high: 6, seen: 3, came: true });
    // Of peaks those alone that were measured.
    expect(peak).toHaveLength(1);
    expect(peak[0]).toEqual({ low: 240, expected: 252, high: 265, seen: 250, came: true });
    expect(dosesOf([dwell('1', 1, 2), dwell('1', 1, 2), dwell('2', 1, 2)])).toEqual({
      dose: 0.2,
      peak_C: 250,
    });
  });
});

describe('dimensions', () => {
  it.each([
    ['Door controller, car 7', 'Door controller'],
    ['Ticket validator 9', 'Ticket validator'],
    ['Dome dimmer, channels 1 to 4', 'Dome dimmer'],
    ['Wind logger', 'Wind logger'],
    ['7', '7'],
  ])('"%s" is a %s', (name, kind) => {
    expect(boardKindOf(name)).toBe(kind);
  });

  it('have months of the civil calendar, as the platform’s own has them', () => {
    for (let i = 0; i < 4000; i++) {
      const at_ms = Date.UTC(1890, 0, 1) + i * 53.7 * DAY_ms;
      expect(monthOf(at_ms)).toBe(new Date(at_ms).toISOString().slice(0, 7));
    }
    expect(monthOf(Date.UTC(2024, 1, 29, 23, 59, 59))).toBe('2024-02');
    expect(monthsBetween('2025-11', '2026-02')).toEqual(['2025-11', '2025-12', '2026-01', '2026-02']);
  });

  it('have a board’s age as it was when it was worked on', () => {
    expect(ageOf({ madeIn: 2006, closedAt_ms: Date.UTC(2026, 5, 1) })).toBe('<30');
    expect(ageOf({ madeIn: 2007, closedAt_ms: Date.UTC(2026, 5, 1) })).toBe('<20');
    expect(ageOf({ madeIn: null, closedAt_ms: 0 })).toBe('unknown');
  });

  it('narrow to a group and to months, and sort the largest group first', () => {
    const jobs = [job({ by: 'MK' }), job({ by: 'AO' }), job({ by: 'AO' })];
    expect(grouped(jobs, 'by').map((g) => [g.key, g.facts.length])).toEqual([
      ['AO', 2],
      ['MK', 1],
    ]);
    const from_ms = jobs[1]!.closedAt_ms;
    expect(filtered(jobs, { from_ms, to_ms: from_ms + 1, where: { by: 'AO' } })).toEqual([jobs[1]]);
  });
});

describe('rates', () => {
  it('one bad job does not condemn a way of working, and few jobs say so', () => {
    const jobs = [
      ...Array.from({ length: 40 }, (_, i) => job({ harms: { lifted: i === 3 ? 1 : 0 } })),
      job({ method: 'pump-or-wick', joints: 2, harms: { lifted: 1 } }),
    ];
    const { groups, usual } = harmRates(jobs, 'lifted', 'method');
    const few = groups.find((g) => g.key === 'pump-or-wick')!;
    expect(few.few).toBe(true);
    expect(few.own.share).toBe(0.5);
    expect(few.pooled.share).toBeLessThan(0.3);
    expect(few.pooled.share).toBeGreaterThan(usual);
  });

  it('tell two ways apart as surely as their counts do', () => {
    const way = (method: string, lifted: number) =>
      Array.from({ length: 30 }, (_, i) =>
        job({ method, joints: 10, harms: { lifted: i < lifted ? 1 : 0 } }),
      );
    const { groups } = harmRates([...way('gun', 1), ...way('pump-or-wick', 14)], 'lifted', 'method');
    const [gun, pump] = ['gun', 'pump-or-wick'].map((key) => groups.find((g) => g.key === key)!);
    expect(surelyLess(gun!, pump!)).toBeGreaterThan(0.97);
  });

  it('pads that go wrong together tell less than as many of different jobs', () => {
    const jobs = (each: number, of: number) =>
      Array.from({ length: 40 }, (_, i) => job({ harms: { bridged: i < of ? each : 0 } }));
    const width = ({ low, high }: { low: number; high: number }): number => high - low;
    const [together] = harmRates(jobs(8, 2), 'bridged', 'method').groups;
    const [apart] = harmRates(jobs(1, 16), 'bridged', 'method').groups;
    expect(together!.counted).toEqual(apart!.counted);
    expect(width(together!.own)).toBeGreaterThan(1.5 * width(apart!.own));
  });

  it('of fixed leave out what is parked or done in part', () => {
    const result = resultOf([
      job(),
      job({ outcome: 'parked' }),
      job({ outcome: 'worse' }),
      job({ outcome: 'part-done' }),
    ]);
    expect(result.fixed.share).toBe(0.5);
    expect(result.counts).toMatchObject({ fixed: 1, parked: 1, 'part-done': 1 });
  });
});

describe('over time', () => {
  const month = (of: number, many: number, changed: (i: number) => Parameters<typeof job>[0]) =>
    Array.from({ length: many }, (_, i) =>
      job({ closedAt_ms: Date.UTC(2026, of, 1 + i), siteId: `m${of}-${i}`, ...changed(i) }),
    );

  it('a month with many hard jobs is no worse a month', () => {
    const easy = (i: number) => ({ method: 'gun', harms: { lifted: i % 25 === 9 ? 1 : 0 } });
    const hard = (i: number) => ({
      method: 'pump-or-wick',
      joints: 4,
      harms: { lifted: i % 3 === 0 ? 1 : 0 },
    });
    const mixed = Array.from({ length: 9 }, (_, of) => [
      ...month(of, 24, easy),
      ...month(of, of === 6 ? 24 : 4, hard),
    ]).flat();
    const { signal, broken } = overTime(mixed, 'lifted')!;
    expect(signal).toBeNull();
    expect(broken).toEqual([]);
  });

  it('a new tip that bridges is found with the day it came, and named', () => {
    const jobs = Array.from({ length: 10 }, (_, of) =>
      month(of, 25, (i) => {
        const worn = of >= 6 && i % 2 === 0;
        return {
          tip: worn ? 'bore 0.8 mm' : 'bore 1.0 mm',
          harms: { bridged: worn ? (i % 4 === 0 ? 1 : 0) : i === 7 ? 1 : 0 },
        };
      }),
    ).flat();
    const { signal } = overTime(jobs, 'bridged')!;
    expect(Math.abs(signal!.beganWith.closedAt_ms - Date.UTC(2026, 6, 1))).toBeLessThan(20 * DAY_ms);
    const [first] = changesAt(jobs, 'bridged', signal!);
    expect(first).toMatchObject({ factor: 'tip', key: 'Vacuum desoldering gun, bore 0.8 mm', isNew: true });
  });

  it('a new batch of solder that bridges is named by its batch', () => {
    const jobs = Array.from({ length: 10 }, (_, of) =>
      month(of, 25, (i) => {
        const fresh = of >= 6 && i % 3 !== 0;
        return {
          solder: fresh ? 'Wire 0.8 mm, batch B-0520' : 'Wire 0.8 mm, batch B-0417',
          harms: { bridged: fresh ? (i % 2 === 1 ? 1 : 0) : i === 7 ? 1 : 0 },
        };
      }),
    ).flat();
    const { signal } = overTime(jobs, 'bridged')!;
    const [first] = changesAt(jobs, 'bridged', signal!);
    expect(first).toMatchObject({ factor: 'solder', key: 'Wire 0.8 mm, batch B-0520', isNew: true });
  });

  it('three bridges of one job are no change: they went wrong together, and say so much less', () => {
    const jobs = Array.from({ length: 10 }, (_, of) =>
      month(of, 25, (i) => ({ joints: 40, harms: { bridged: i === 7 ? 6 : 0 } })),
    ).flat();
    const { design, signal, chart } = overTime(jobs, 'bridged')!;
    expect(design).toBeGreaterThan(4);
    expect(signal).toBeNull();
    expect(Math.max(...chart.points.map((p) => p.z))).toBeLessThan(1);
  });

  it('has every month, and judges none in which nothing was done', () => {
    const { periods, chart } = overTime(
      [job({ closedAt_ms: Date.UTC(2026, 0, 9) }), job({ closedAt_ms: Date.UTC(2026, 3, 9) })],
      'lifted',
    )!;
    expect(periods.map((p) => p.month)).toEqual(['2026-01', '2026-02', '2026-03', '2026-04']);
    expect(chart.points[1]!.z).toBe(0);
  });

  it('of no jobs is nothing', () => {
    expect(overTime([], 'lifted')).toBeNull();
  });
});

describe('foretold and seen', () => {
  const held = (of: 'melt' | 'peak' | 'minutes', things: readonly Seen[]) =>
    job({ held: { ...NOTHING_HELD, [of]: heldIn(of, things) } });

  it('given up within the band tells nothing; past it, it was later than nine in ten', () => {
    expect(besideBand(melt(2.5, false))).toBeNull();
    expect(besideBand(melt(3.5, false))).toBe('late');
    expect(besideBand(melt(0.8))).toBe('early');
    expect(besideBand(melt(2.9))).toBe('within');
  });

  it('a tip that melts everything a third late is told with what it points to', () => {
    const jobs = Array.from({ length: 30 }, (_, i) =>
      held(
        'melt',
        Array.from({ length: 4 }, (_, k) => melt(2.8 + 0.15 * ((i + k) % 5))),
      ),
    );
    const group = heldOf(jobs, 'melt');
    expect(group.bias).toBeGreaterThan(1.3);
    expect(pointsTo(group, 'melt')).toContain('later than foretold');
  });

  it('bands that hold point to nothing', () => {
    const jobs = Array.from({ length: 30 }, (_, i) =>
      held(
        'melt',
        Array.from({ length: 4 }, (_, k) => melt(1.1 + 0.09 * ((7 * i + k) % 20))),
      ),
    );
    expect(pointsTo(heldOf(jobs, 'melt'), 'melt')).toBeNull();
  });

  it('peaks are off by so many degrees, whatever the temperature is', () => {
    const jobs = Array.from({ length: 30 }, (_, i) =>
      held('peak', [{ low: 230, expected: 240, high: 250, seen: 258 + (i % 5), came: true }]),
    );
    const group = heldOf(jobs, 'peak');
    expect(group).toMatchObject({ bias: 20, counted: 30, late: 30 });
    expect(group.spread).toBeCloseTo(2, 1);
    expect(pointsTo(group, 'peak')).toContain('hotter than foretold');
  });

  it('minutes are one of each job, and jobs that take half as long again say so', () => {
    const jobs = Array.from({ length: 24 }, (_, i) =>
      held('minutes', [{ low: 20, expected: 26, high: 34, seen: 36 + (i % 6), came: true }]),
    );
    const group = heldOf(jobs, 'minutes');
    expect(group.counted).toBe(24);
    expect(group.bias).toBeCloseTo(38.5 / 26, 2);
    expect(pointsTo(group, 'minutes')).toContain('plans reckon with it');
  });
});

describe('causes and returns', () => {
  it('sort causes with the share that those up to each make, and say what was not said', () => {
    const jobs = [job({ rootCause: 'worn' }), job({ rootCause: 'worn' }), job({ rootCause: 'wet' }), job()];
    const [all, kind] = paretos(jobs);
    expect(all!.lines.map((l) => [l.cause, l.jobs, l.upTo])).toEqual([
      ['worn', 2, 2 / 3],
      ['wet', 1, 1],
    ]);
    expect(all!.unsaid).toBe(1);
    expect(kind!.kind).toBe('Door controller');
  });

  it('a site that comes back after it was fixed was done again; off and on in two sittings was not', () => {
    const first = job({ siteId: 's', closedAt_ms: BEGAN_ms });
    const next = job({ siteId: 's', acceptedAt_ms: BEGAN_ms + 3_600_000, closedAt_ms: BEGAN_ms + 7_200_000 });
    const later = job({
      siteId: 's',
      acceptedAt_ms: BEGAN_ms + 40 * DAY_ms,
      closedAt_ms: BEGAN_ms + 41 * DAY_ms,
    });
    expect(reworkIn([first, next, later]).map((r) => r.again)).toEqual([later]);
  });

  it('a part failed where the next job on its site says so, and the batch it came out of is told', () => {
    const fitted = [
      { partId: 'good', siteId: 'a', at_ms: BEGAN_ms },
      { partId: 'bad', siteId: 'b', at_ms: BEGAN_ms },
      { partId: 'bad', siteId: 'c', at_ms: BEGAN_ms },
    ];
    const back = job({ siteId: 'b', rootCause: 'bad-part', acceptedAt_ms: BEGAN_ms + 30 * DAY_ms });
    expect(batchesHeld([back], fitted).map((b) => [b.partId, b.failed])).toEqual([
      ['bad', { bad: 1, of: 2 }],
      ['good', { bad: 0, of: 1 }],
    ]);
  });

  it('a stay runs from coming in to going back, with what it waited; what is promised stands until it went', () => {
    const at = (days: number, body: object) =>
      ({ id: `${days}`, by: 'MK', at_ms: BEGAN_ms + days * DAY_ms, ...body }) as never;
    const parked = at(1, { kind: 'parked', awaits: 'part', what: 'a relay', due_ms: 7 });
    expect(staysOf(BEGAN_ms, [parked, at(4, { kind: 'resumed' }), at(6, { kind: 'handed-back' })])).toEqual([
      { from_ms: BEGAN_ms, until_ms: BEGAN_ms + 6 * DAY_ms, parked_ms: 3 * DAY_ms },
    ]);
    expect(parkedFor([parked])).toEqual({ what: 'a relay', due_ms: 7 });
    expect(parkedFor([parked, at(4, { kind: 'resumed' })])).toBeNull();
  });
});
