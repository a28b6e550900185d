import Database from 'better-sqlite3';
import { withJob, withSite, type Shop } from './shop';

/** What came of a server that was killed again and again in the middle of writing. */
export interface Killed {
  readonly kills: number;
  readonly acknowledged: number;
  readonly lost: number;
  readonly doubled: number;
  /** Databases that were not whole as the kill had left them. */
  readonly broken: number;
}

const WRITERS = 5;

/**
 * Writers note on a job, find at a pad and move stock, each under a key of its own, until the server is killed; after each
 * restart every write whose answer never came is sent again under its key. At the end each stands exactly once.
 */
export async function kills(shop: Shop, times: number): Promise<Killed> {
  const { jobId } = await withJob(shop);
  const { site } = await withSite(shop);
  const sent = new Map<string, boolean>();
  let count = 0;
  let broken = 0;
  const write = async (word: string): Promise<void> => {
    const kind = Number(word.split('-')[1]) % 3;
    const { status, text } =
      kind === 0
        ? await noted(shop, jobId, word)
        : kind === 1
          ? await shop.ask(
              'POST',
              'api/findings',
              { padId: site.pads[0]!.id, state: 'dull', foundAs: 'as-received', by: 'MK', note: word },
              { 'idempotency-key': `probe-${word}` },
            )
          : await shop.ask(
              'POST',
              'api/supplies/moves',
              { supplyId: 'tape', reason: 'bought', amount: 1, by: 'MK' },
              { 'idempotency-key': `probe-${word}` },
            );
    // Told that it stands already, it stands.
    if (status === 201 || status === 200 || (status === 409 && /already/.test(text))) sent.set(word, true);
    else if (status !== 0) throw new Error(`${word}: ${status} ${text}`);
  };
  for (let i = 0; i < times; i++) {
    for (const [word, answered] of sent) if (!answered) await write(word);
    let on = true;
    const writers = Array.from({ length: WRITERS }, async () => {
      while (on) {
        const word = `w-${++count}`;
        sent.set(word, false);
        await write(word);
      }
    });
    await new Promise((go) => setTimeout(go, 60 + 37 * (i % 11)));
    const back = shop.killedAndBack();
    on = false;
    await Promise.all(writers);
    await back;
    const file = new Database(shop.file, { readonly: true });
    if (file.pragma('quick_check', { simple: true }) !== 'ok') broken++;
    file.close();
  }
  for (const [word, answered] of sent) if (!answered) await write(word);
  const file = new Database(shop.file, { readonly: true });
  const found = [
    ...file
      .prepare(`select json_extract(body, '$.text') as word from run_events where body like '%"w-%'`)
      .all(),
    ...file.prepare(`select note as word from findings where note like 'w-%'`).all(),
    // A move says nothing of its own: what a request makes is named by its key.
    ...file
      .prepare(`select substr(id, instr(id, 'w-')) as word from supply_moves where id like '%probe-w-%'`)
      .all(),
  ] as { word: string }[];
  file.close();
  const times_ = new Map<string, number>();
  for (const { word } of found) times_.set(word, (times_.get(word) ?? 0) + 1);
  const acknowledged = [...sent].filter(([, answered]) => answered).map(([word]) => word);
  return {
    kills: times,
    acknowledged: acknowledged.length,
    lost: acknowledged.filter((word) => !times_.has(word)).length,
    doubled: [...times_.values()].filter((n) => n > 1).length,
    broken,
  };
}

/** A note under its own name; other writers' notes do not stand against it. */
async function noted(shop: Shop, jobId: string, word: string) {
  const event = { kind: 'note', text: word };
  const seen = await shop.ask('GET', `api/jobs/${jobId}/events`);
  if (seen.status !== 200) return seen;
  const afterSeq = (JSON.parse(seen.text) as { events: readonly { seq: number }[] }).events.at(-1)!.seq;
  return shop.ask('POST', `api/jobs/${jobId}/events`, { clientId: word, afterSeq, by: 'MK', event });
}
