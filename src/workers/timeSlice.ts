/** How long a worker computes before its event loop runs, so that a message can come in. */
const SLICE_ms = 15;

/** A worker's time at a stretch: once it `isOver`, `renewed` lets the event loop run and begins the next. */
export class TimeSlice {
  private end_ms = performance.now() + SLICE_ms;

  isOver(): boolean {
    return performance.now() > this.end_ms;
  }

  async renewed(): Promise<void> {
    await turnOfTheLoop();
    this.end_ms = performance.now() + SLICE_ms;
  }
}

/**
 * One turn of the event loop. On the server that is a phase of its own: a message to itself would not do, as Node hands out up
 * to a thousand of them in a row before it looks at anything else, and a plan that was given up would go on for seconds. In a
 * browser a message comes round sooner than a timer, which browsers hold back, and takes its turn among the others.
 */
const turnOfTheLoop: () => Promise<void> =
  typeof setImmediate === 'function' ? () => new Promise((go) => void setImmediate(go)) : byMessage();

function byMessage(): () => Promise<void> {
  const channel = new MessageChannel();
  const waiting: (() => void)[] = [];
  channel.port1.onmessage = () => waiting.shift()?.();
  return () =>
    new Promise((go) => {
      waiting.push(go);
      channel.port2.postMessage(null);
    });
}
