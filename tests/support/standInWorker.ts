import type { FromWorker, Task, ToWorker } from '~/workers/protocol';

/** A worker, or a thread, that answers by hand. */
export class StandInWorker<Asked = Task> {
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  readonly got: ToWorker<Asked>[] = [];
  ended = false;

  postMessage(message: ToWorker<Asked>): void {
    this.got.push(structuredClone(message));
  }

  terminate(): void {
    this.ended = true;
  }

  say(message: FromWorker): void {
    this.onmessage?.({ data: message });
  }
}
