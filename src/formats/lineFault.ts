/** A line of a file that was not understood: where, what it was, and why. */
export interface LineFault {
  readonly line: number;
  /** The line's beginning, as far as it helps to find it. */
  readonly text: string;
  readonly why: string;
}

const SHOWN_CHARACTERS = 80;

export const lineFault = (line: number, text: string, why: string): LineFault => ({
  line,
  text: text.slice(0, SHOWN_CHARACTERS),
  why,
});
