/** How long a worker computes before its event loop runs, so that a message can come in. */
const SLICE_ms = 15;

/** A worker's time at a stretch: once it `isOver`, `renewed` lets the event loop run and begins the next. */
export class TimeSlice {
  private end_ms = performance.now() + SLICE_ms;
  private readonly channel = new MessageChannel();
  private readonly waiting: (() => void)[] = [];

  constructor() {
    this.channel.port1.onmessage = () => this.waiting.shift()?.();
  }

  isOver(): boolean {
    return performance.now() > this.end_ms;
  }

  async renewed(): Promise<void> {
    // A message to itself comes round sooner than a timer, which browsers hold back.
    await new Promise<void>((resolve) => {
      this.waiting.push(resolve);
      this.channel.port2.postMessage(null);
    });
    this.end_ms = performance.now() + SLICE_ms;
  }
}
