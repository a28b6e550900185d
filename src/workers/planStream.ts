import type { Refusal } from '~/schema/values/refusal';
import type { FromWorker, ToWorker } from './protocol';

const GONE = 'the bench computer does not answer';

/** A planner on the server, to a screen the same as a worker: a job is a request that stays open while its answer comes. */
export class PlanStream {
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  private readonly open = new Map<number, AbortController>();

  constructor(private readonly address: string) {}

  postMessage(message: ToWorker): void {
    if (message.type === 'solve') void this.ask(message);
    else this.hangUp(message.jobId);
  }

  terminate(): void {
    for (const jobId of this.open.keys()) this.hangUp(jobId);
  }

  private hangUp(jobId: number): void {
    this.open.get(jobId)?.abort();
    this.open.delete(jobId);
  }

  private async ask({ jobId, task }: Extract<ToWorker, { type: 'solve' }>): Promise<void> {
    const control = new AbortController();
    this.open.set(jobId, control);
    const say = (message: FromWorker): void => {
      if (!control.signal.aborted) this.onmessage?.({ data: { ...message, jobId } });
    };
    try {
      const response = await fetch(this.address, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(task),
        signal: control.signal,
      });
      if (!response.ok || !response.body) {
        const refusal = (await response.json().catch(() => null)) as Refusal | null;
        say({ type: 'failed', jobId, message: refusal?.message ?? `the server answered ${response.status}` });
        return;
      }
      let ended = false;
      for await (const line of linesOf(response.body)) {
        const message = JSON.parse(line) as FromWorker;
        ended ||= message.type !== 'progress';
        say(message);
      }
      if (!ended) say({ type: 'failed', jobId, message: GONE });
    } catch {
      say({ type: 'failed', jobId, message: GONE });
    } finally {
      this.open.delete(jobId);
    }
  }
}

/** Lines of a body as they come in. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    const lines = (rest + decoder.decode(value, { stream: true })).split('\n');
    rest = lines.pop()!;
    yield* lines;
  }
}
