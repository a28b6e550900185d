import { get, set } from 'idb-keyval';
import { keptOutbox } from '~/schema/records/jobs/unsent';
import { EMPTY_OUTBOX, type Outbox } from './outbox';

const keyOf = (jobId: string): string => `ithermon-outbox-${jobId}`;

/** What this browser kept of a job; what cannot be read any more is left where it lies and not sent. */
export async function readOutbox(jobId: string): Promise<Outbox> {
  try {
    const kept: unknown = await get(keyOf(jobId));
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
