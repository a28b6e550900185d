import { LRUCache } from 'lru-cache';
import { OUTCOMES_VIEWS, outcomesQuery, type OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { OutcomesSheet } from '~/schema/sheets/outcomesSheet';
import { startThread, type Thread } from '~/server/plans/planner/thread';
import type { Db } from '~/server/store/db';
import { evidenceStamp, takeChanged } from '~/server/store/repositories/jobFacts';
import type { Onlooker } from './asked';
import { answered, type Answer, type Ask, type EvidenceKind } from './evidence';
import { seenBy } from './sheet';
import type { FromEvidence, ToEvidence } from './thread/answering';

type EvidenceThread = Thread<ToEvidence, FromEvidence>;
interface Waiting {
  readonly answer: (answer: Answer) => void;
  readonly fail: (error: Error) => void;
}

/** So many views are kept as they were made, until something that they count changes. */
const MOST_KEPT = 60;

const NOBODY = { own: '', tellsWho: false };

/**
 * Where pages ask for the workshop's evidence. It is counted on a thread with a connection of its own, as twenty thousand jobs take
 * longer than a page may wait; where there is none, here.
 */
export class EvidenceDesk {
  private readonly kept = new LRUCache<string, OutcomesSheet>({ max: MOST_KEPT });
  private readonly waiting = new Map<number, Waiting>();
  private asked = 0;

  constructor(
    private readonly db: Db,
    private thread: EvidenceThread | null,
  ) {
    if (!thread) return;
    thread.onmessage = ({ data }) => this.take(data);
    thread.onerror = ({ message }) => this.alone(message);
  }

  /** One view as one onlooker may have it; made anew only where something changed since. */
  async sheet({
    query,
    who,
  }: {
    readonly query: OutcomesQuery;
    readonly who: Onlooker;
  }): Promise<OutcomesSheet> {
    const { tellsWho } = who;
    const key = `${evidenceStamp(this.db)} ${JSON.stringify([query, tellsWho])}`;
    const known = this.kept.get(key);
    const sheet = known ?? (await this.ask({ is: 'sheet', query, tellsWho }));
    if (!known) this.kept.set(key, sheet);
    return seenBy(sheet, who);
  }

  async ask<Kind extends EvidenceKind>(ask: Ask<Kind>): Promise<Answer<Kind>> {
    const { thread } = this;
    if (!thread) return answered(this.db, ask as Ask);
    const id = ++this.asked;
    return new Promise<Answer>((answer, fail) => {
      this.waiting.set(id, { answer, fail });
      // What was counted anew since goes along: another connection does not hear of it.
      thread.postMessage({ id, ask: ask as Ask, changed: takeChanged(this.db) });
    });
  }

  /** Reads everything that was counted, and makes each view as it is usually asked for: whoever comes first need not wait. */
  async rehearse(): Promise<void> {
    if (!this.thread) return;
    await this.ask({ is: 'read', all: true });
    for (const view of OUTCOMES_VIEWS)
      await this.sheet({ query: outcomesQuery.parse({ view }), who: NOBODY });
  }

  end(): void {
    this.thread?.terminate();
    this.leave('the server stops');
  }

  private take({ id, ...told }: FromEvidence): void {
    const one = this.waiting.get(id);
    this.waiting.delete(id);
    if ('answer' in told) one?.answer(told.answer);
    else one?.fail(new Error(told.failed));
  }

  /** A thread that broke off is not asked again; who waits for it is told, and the next is answered here. */
  private alone(message: string): void {
    console.error(`ithermon: the thread of Outcomes broke off: ${message}`);
    this.leave(message);
  }

  private leave(why: string): void {
    this.thread = null;
    for (const { fail } of this.waiting.values()) fail(new Error(why));
    this.waiting.clear();
  }
}

/** The desk of a server whose bundle stands beside that of its thread. */
export function openEvidence(bundle: string | URL, db: Db): EvidenceDesk {
  const thread: EvidenceThread = startThread(new URL('./evidence.mjs', bundle));
  thread.postMessage({ open: db.$client.name });
  return new EvidenceDesk(db, thread);
}
