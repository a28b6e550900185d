/** Longer lines are no lines of the protocol. */
const LONGEST_bytes = 4096;

/**
 * Takes bytes as they come and gives back whole lines. What is longer than a line may be is dropped up to its end, and
 * counted: a device that talks nonsense fills no memory.
 */
export class LineReader {
  private rest = '';
  private dropping = false;
  /** Lines that were too long. */
  dropped = 0;

  take(chunk: string): string[] {
    const lines: string[] = [];
    const parts = (this.rest + chunk).split('\n');
    this.rest = parts.pop()!;
    for (const part of parts) {
      if (this.dropping) this.dropping = false;
      else if (part.length > LONGEST_bytes) this.dropped++;
      else if (part.trim() !== '') lines.push(part);
    }
    if (this.rest.length > LONGEST_bytes) {
      if (!this.dropping) this.dropped++;
      this.dropping = true;
      this.rest = '';
    }
    return lines;
  }
}

/** How often something may happen within a second before it is too often. */
export class Rate {
  private from_ms = 0;
  private count = 0;

  constructor(private readonly most: number) {}

  /** Counts one more; whether that is too many within this second. */
  tooMany(now_ms: number): boolean {
    if (now_ms - this.from_ms >= 1000) {
      this.from_ms = now_ms;
      this.count = 0;
    }
    return ++this.count > this.most;
  }
}
