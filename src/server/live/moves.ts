import { EventEmitter } from 'node:events';

/** Tells who looks at a job that its record has gone on; of this process alone, as one server has the database. */
const moves = new EventEmitter();
// Every screen on a job is one.
moves.setMaxListeners(0);

/** A job's record has a further entry, once what is being written now is written. */
export function jobMoved(jobId: string, seq: number): void {
  if (moves.listenerCount(jobId) > 0) setImmediate(() => moves.emit(jobId, seq));
}

/** Hears of each further entry of a job; gives back how to hear no more. */
export function onJobMoved(jobId: string, hear: (seq: number) => void): () => void {
  moves.on(jobId, hear);
  return () => void moves.off(jobId, hear);
}
