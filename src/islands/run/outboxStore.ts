import { get, set } from 'idb-keyval';
import { keptOutbox } from '~/schema/records/jobs/unsent';
import { EMPTY_OUTBOX, type Outbox } from './outbox';

const keyOf = (jobId: string): string => `ithermon-outbox-${jobId}`;
/** Where versions before this one kept what was unsent, as a list. */
const formerKeyOf = (jobId: string): string => `ithermon-unsent-${jobId}`;

/** What this browser kept of a job; what cannot be read any more is left where it lies and not sent. */
export async function readOutbox(jobId: string): Promise<Outbox> {
  try {
    const kept: unknown = (await get(keyOf(jobId))) ?? (await movedOver(jobId));
    if (kept === undefined) return EMPTY_OUTBOX;
    const parsed = keptOutbox.safeParse(kept);
    if (parsed.success) return parsed.data;
    await set(`${keyOf(jobId)}-unreadable-${Date.now()}`, kept);
    return EMPTY_OUTBOX;
  } catch {
    // A browser that keeps nothing: presses live as long as the page.
    return EMPTY_OUTBOX;
  }
}

/** Keeps what is unsent; the page goes on whether the browser does or not. */
export function keepOutbox(jobId: string, { unsent, aside }: Outbox): void {
  set(keyOf(jobId), { unsent, aside }).catch(() => undefined);
}

/** What a former version left, moved to where it is kept now: there first, and only then away. */
async function movedOver(jobId: string): Promise<unknown> {
  const text = localStorage.getItem(formerKeyOf(jobId));
  if (text === null) return undefined;
  const kept: unknown = { unsent: JSON.parse(text) as unknown, aside: [] };
  await set(keyOf(jobId), kept);
  localStorage.removeItem(formerKeyOf(jobId));
  return kept;
}
