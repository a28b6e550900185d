import { drawing, withJob, withSite, type Shop } from './shop';

/** What came of two screens that write in every order. */
export interface Interleaved {
  readonly rounds: number;
  /** Writes against a state that had moved on, and how many of them were refused. */
  readonly stale: number;
  readonly refused: number;
  /** Changes of one screen that another's silently took the place of. */
  readonly overwritten: number;
  /** Notes that were sent and stand. */
  readonly notes: number;
  readonly noted: number;
}

/**
 * Two clients read and write a site and a job in random order. Each write stands on what its client read last: it is taken
 * where that is still so, and refused where the other has written since. Notes of both always stand.
 */
export async function interleave(shop: Shop, rounds: number, seed: number): Promise<Interleaved> {
  const { next } = drawing(seed);
  const { site } = await withSite(shop);
  const { jobId } = await withJob(shop);
  const pad = site.pads[0]!;
  let [revision, stale, refused, overwritten, notes] = [1, 0, 0, 0, 0];
  const read = [1, 1];
  const seen = [1, 1];
  let lastSeq = 1;
  for (let i = 0; i < rounds; i++) {
    const who = next() < 0.5 ? 0 : 1;
    if (next() < 0.4) read[who] = revision;
    const change = { revision: read[who], pads: [{ id: pad.id, net: `N${i}`, connections: [] }] };
    const { status, text } = await shop.ask('PATCH', `api/sites/${site.id}/pads`, change);
    const wasStale = read[who] !== revision;
    if (wasStale) stale++;
    if (status === 409) refused++;
    else if (status === 200) {
      if (wasStale) overwritten++;
      revision = read[who] = (JSON.parse(text) as { revision: number }).revision;
    } else throw new Error(`${status} ${text}`);
    // Both note at once, each on what it saw last.
    const [one, other] = await Promise.all(
      [0, 1].map((client) =>
        shop.ask('POST', `api/jobs/${jobId}/events`, {
          clientId: `i-${seed}-${i}-${client}`,
          afterSeq: seen[client],
          by: client === 0 ? 'MK' : 'AO',
          event: { kind: 'note', text: `i-${i}-${client}` },
        }),
      ),
    );
    for (const [client, answer] of [one!, other!].entries()) {
      if (answer.status !== 200 && answer.status !== 201) continue;
      notes++;
      const events = (JSON.parse(answer.text) as { events: readonly { seq: number }[] }).events;
      lastSeq = Math.max(lastSeq, events.at(-1)!.seq);
      if (next() < 0.5) seen[client] = lastSeq;
    }
  }
  const { text } = await shop.ask('GET', `api/jobs/${jobId}/events`);
  const noted = (JSON.parse(text) as { events: readonly { kind: string }[] }).events.filter(
    ({ kind }) => kind === 'note',
  ).length;
  return { rounds, stale, refused, overwritten, notes, noted };
}
