import type { FromWorker, ToWorker } from '~/workers/protocol';

/** A worker, or a thread, that answers by hand. */
export class StandInWorker {
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  readonly got: ToWorker[] = [];
  ended = false;

  postMessage(message: ToWorker): void {
    this.got.push(structuredClone(message));
  }

  terminate(): void {
    this.ended = true;
  }

  say(message: FromWorker): void {
    this.onmessage?.({ data: message });
  }
}
