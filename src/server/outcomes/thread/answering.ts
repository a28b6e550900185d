import type { Port } from '~/workers/port';
import { openToRead, type Db } from '~/server/store/db';
import { noteChanged } from '~/server/store/repositories/jobFacts';
import { answered, type Answer, type Ask } from '../evidence';

/** First the file to read, then what is asked, each with the jobs that were counted anew since the one before. */
export type ToEvidence =
  { readonly open: string } | { readonly id: number; readonly ask: Ask; readonly changed: readonly string[] };
export type FromEvidence =
  { readonly id: number; readonly answer: Answer } | { readonly id: number; readonly failed: string };

/** Answers from a database of its own connection. */
export function answering(port: Port<ToEvidence, FromEvidence>): void {
  let db: Db | null = null;
  port.listen((message) => {
    if ('open' in message) {
      db = openToRead(message.open);
      return;
    }
    const { id, ask, changed } = message;
    noteChanged(db!, changed);
    try {
      port.post({ id, answer: answered(db!, ask) });
    } catch (error) {
      port.post({ id, failed: error instanceof Error ? (error.stack ?? error.message) : String(error) });
    }
  });
}
