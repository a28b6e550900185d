import { beforeAll, describe, expect, it } from 'vitest';
import { batchesHeld } from '~/core/outcomes/batches';
import { changesAt } from '~/core/outcomes/changes';
import { filtered } from '~/core/outcomes/dimensions';
import { harmRates, surelyLess } from '~/core/outcomes/harmRates';
import { HARM_IDS } from '~/core/outcomes/harms';
import { BAND_SHARE, heldBy } from '~/core/outcomes/held';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { overTime } from '~/core/outcomes/overTime';
import { seedMonths } from '~/server/demo/months';
import { allFacts } from '~/server/outcomes/facts';
import { factsOf } from '~/server/outcomes/factsOf';
import { openBoard } from '~/server/boards/openBoard';
import { restate } from '~/server/boards/restate';
import { openDatabase, type Db } from '~/server/store/db';
import { getBoard, listBoards } from '~/server/store/repositories/boards';
import { factsKept } from '~/server/store/repositories/jobFacts';
import { partsFitted } from '~/server/store/repositories/stockParts';
import { TRUTH } from '../../scripts/months/recipes';
import { MIGRATIONS } from '../support/database';

let db: Db;
let facts: readonly JobFacts[];

beforeAll(() => {
  db = openDatabase(':memory:', MIGRATIONS);
  seedMonths(db, 'samples/months.json.gz', Date.UTC(2026, 10, 30));
  facts = allFacts(db);
});

const WORN = `Cartridge station, ${TRUTH.wornTip.tip}`;
const begun_ms = Date.parse(TRUTH.wornTip.from);
const WEEK_ms = 7 * 86_400_000;

describe('the sample months: charts find what was so, and nothing else', () => {
  it('are three hundred jobs and more, of boards that have all gone back', () => {
    expect(facts.length).toBeGreaterThanOrEqual(300);
    for (const { id } of listBoards(db).slice(0, 4)) {
      const kept = getBoard(db, id);
      expect(openBoard(db, id).stage.is).toBe('closed');
      restate(db, id);
      expect(getBoard(db, id)).toEqual(kept);
    }
  });

  it('are counted as a recount counts them', () => {
    for (const { jobId } of facts.filter((_, i) => i % 7 === 0))
      expect(factsKept(db, jobId)).toEqual(factsOf(db, jobId));
  });

  it('have two harms that have gone up: bridges since the tip wore through, bad parts since the first of that batch failed', () => {
    const signals = HARM_IDS.flatMap((harm) => {
      const signal = overTime(facts, harm)?.signal;
      return signal ? [{ harm, signal }] : [];
    });
    expect(signals.map((s) => s.harm)).toEqual(['bridged', 'part']);
    const [bridged, part] = signals.map((s) => s.signal);
    expect(Math.abs(bridged!.beganWith.closedAt_ms - begun_ms)).toBeLessThan(2 * WEEK_ms);
    expect(bridged!.seenWith.closedAt_ms - begun_ms).toBeLessThan(8 * WEEK_ms);
    expect(part!.beganWith.closedAt_ms).toBeGreaterThan(Date.parse(TRUTH.badBatch.from));
    expect(part!.seenWith.closedAt_ms).toBeLessThan(Date.parse(TRUTH.badBatch.to) + 12 * WEEK_ms);
  });

  it('name that tip first, and that it melts later since', () => {
    const [first] = changesAt(facts, 'bridged', overTime(facts, 'bridged')!.signal!);
    expect(first).toMatchObject({ factor: 'tip', key: WORN, isNew: false });
    expect(first!.slower).toBeGreaterThan(1.2);
  });

  it('break no rule of the chart before September', () => {
    const { broken, periods } = overTime(facts, 'bridged')!;
    expect(broken.length).toBeGreaterThan(0);
    for (const { at } of broken) expect(periods[at]!.month >= '2026-09').toBe(true);
  });

  it('have one way that lifts lands of old phenolic boards, and on no other laminate', () => {
    const rates = (laminate: string) =>
      harmRates(filtered(facts, { from_ms: null, to_ms: null, where: { laminate } }), 'lifted', 'method')
        .groups;
    const old = rates(TRUTH.lifts.laminate);
    const pulls = old.find((g) => g.key === TRUTH.lifts.method)!;
    for (const other of old)
      if (other !== pulls) expect(surelyLess(other, pulls), other.key).toBeGreaterThan(0.9);
    const newer = rates('fr4-standard');
    const same = newer.find((g) => g.key === TRUTH.lifts.method);
    expect(same!.pooled.low).toBeLessThan(pulls.pooled.low);
    expect(same!.pooled.share).toBeLessThan(pulls.pooled.share / 3);
  });

  it('have one batch of capacitors that comes back', () => {
    const [worst, next] = batchesHeld(facts, partsFitted(db));
    expect(worst!.partId).toBe('sample-part-bad');
    expect(worst!.rate.low).toBeGreaterThan(next!.rate.high);
  });

  it('hold their bands with new tips, as the draws that made them say, and not with the worn one', () => {
    const of = (some: readonly JobFacts[]) => heldBy(some, 'tool', 'melt').find((g) => g.key === WORN)!;
    const since = of(facts.filter((f) => f.closedAt_ms >= begun_ms));
    const before = of(facts.filter((f) => f.closedAt_ms < begun_ms));
    expect(before.coverage.share).toBeGreaterThan(since.coverage.share + 0.15);
    expect(since.late).toBeGreaterThan(3 * since.early);
  });

  it('take as long as foretold, but for joints of many pins one by one, which take longer', () => {
    const groups = heldBy(facts, 'method', 'minutes');
    expect(groups.reduce((sum, g) => sum + g.counted, 0)).toBe(facts.length);
    for (const group of groups)
      if (group.key === 'joint-by-joint') expect(group.late).toBeGreaterThan(group.counted / 3);
      else expect(group.coverage.high, group.key).toBeGreaterThan(BAND_SHARE);
  });

  it('have ended within their windows: a hand that sees a melt leaves', () => {
    for (const group of heldBy(facts, 'method', 'dwell'))
      expect(group.coverage.share, group.key).toBeGreaterThan(BAND_SHARE);
  });
});
