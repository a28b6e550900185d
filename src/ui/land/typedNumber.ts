/** Digits further apart than this begin a new number, ms. */
const PAUSE_ms = 1200;

/** A pin's number as it is typed: digits that follow each other closely belong together. */
export class TypedNumber {
  private digits = '';
  private last_ms = -Infinity;

  /** The pad that the digits so far name; a digit that leads nowhere begins anew. */
  digit(digit: string, at_ms: number, names: readonly string[]): string | null {
    const before = at_ms - this.last_ms > PAUSE_ms ? '' : this.digits;
    this.last_ms = at_ms;
    this.digits = names.includes(before + digit) ? before + digit : digit;
    return names.includes(this.digits) ? this.digits : null;
  }

  /** Any other key ends a number. */
  forget(): void {
    this.digits = '';
  }
}
