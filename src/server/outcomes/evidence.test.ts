import { MessageChannel } from 'node:worker_threads';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { MIGRATIONS } from '../../../tests/support/database';
import { outcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import { seedMonths } from '~/server/demo/months';
import type { Thread } from '~/server/plans/planner/thread';
import { closeDatabase, openDatabase, type Db } from '~/server/store/db';
import { countedJobs, factsKept, keepJobFacts } from '~/server/store/repositories/jobFacts';
import { EvidenceDesk } from './evidenceDesk';
import { answering, type FromEvidence, type ToEvidence } from './thread/answering';

const folder = mkdtempSync(join(tmpdir(), 'evidence-'));
const file = join(folder, 'bench.db');
let db: Db;
let desk: EvidenceDesk;
let heard: Thread<ToEvidence, FromEvidence>;

/** What the server's thread is, on a channel of this one. */
function besideUs(): Thread<ToEvidence, FromEvidence> {
  const { port1, port2 } = new MessageChannel();
  answering({
    post: (message) => port2.postMessage(message),
    listen: (take) => void port2.on('message', take),
  });
  const thread: Thread<ToEvidence, FromEvidence> = {
    postMessage: (message) => port1.postMessage(message),
    onmessage: null,
    onerror: null,
    terminate: () => {
      port1.close();
    },
  };
  port1.on('message', (data: FromEvidence) => thread.onmessage?.({ data }));
  return thread;
}

beforeAll(() => {
  db = openDatabase(file, MIGRATIONS);
  seedMonths(db, 'samples/months.json.gz', Date.UTC(2026, 10, 30));
  heard = besideUs();
  heard.postMessage({ open: file });
  desk = new EvidenceDesk(db, heard);
}, 60_000);

afterAll(() => {
  desk.end();
  closeDatabase(db);
  rmSync(folder, { recursive: true });
});

const who = { own: 'MK', tellsWho: true };
const rates = outcomesQuery.parse({});

describe('the desk where Outcomes are asked for', () => {
  it('answers from a connection of its own as it would here', async () => {
    const here = new EvidenceDesk(db, null);
    for (const view of ['rates', 'time', 'held', 'heat', 'causes'] as const) {
      const query = outcomesQuery.parse({ view, harm: 'bridged' });
      expect(await desk.sheet({ query, who })).toEqual(await here.sheet({ query, who }));
    }
    const list = { is: 'jobs', query: rates, most: 5 } as const;
    expect(await desk.ask(list)).toEqual(await here.ask(list));
    expect((await desk.ask(list)).jobs).toHaveLength(5);
    expect(await desk.ask({ is: 'month', month: null })).toEqual(
      await here.ask({ is: 'month', month: null }),
    );
  });

  it('hears of a job that was counted anew, and makes a view again only then', async () => {
    const asked = vi.spyOn(heard, 'postMessage');
    const before = await desk.sheet({ query: rates, who });
    expect(await desk.sheet({ query: rates, who })).toBe(before);
    expect(asked).toHaveBeenCalledTimes(1);
    const { jobId } = countedJobs(db)[0]!;
    const kept = factsKept(db, jobId)!;
    keepJobFacts(db, jobId, null);
    expect((await desk.sheet({ query: rates, who })).jobs).toBe(before.jobs - 1);
    keepJobFacts(db, jobId, kept);
    expect(await desk.sheet({ query: rates, who })).toEqual(before);
    asked.mockRestore();
  });

  it('goes on here where its thread broke off, and says so', async () => {
    const said = vi.spyOn(console, 'error').mockReturnValue();
    const broken: Thread<ToEvidence, FromEvidence> = {
      postMessage: () => undefined,
      onmessage: null,
      onerror: null,
      terminate: () => undefined,
    };
    const alone = new EvidenceDesk(db, broken);
    const waiting = alone.ask({ is: 'read', all: true });
    broken.onerror!({ message: 'out of memory' });
    await expect(waiting).rejects.toThrow('out of memory');
    expect(said).toHaveBeenCalledWith(expect.stringContaining('out of memory'));
    expect(await alone.ask({ is: 'read', all: true })).toBe(countedJobs(db).length);
    said.mockRestore();
  });
});
