const REFERENCE = /^[A-Za-z][\w.+-]*$/;
const RANGE = /^([A-Za-z]+)(\d+)(?:-|–|\.\.|…|to)([A-Za-z]*)(\d+)$/i;
/** A longer range is a slip of the pen. */
const MOST_IN_RANGE = 500;

/** References that one cell names: "C1, C2", "R1-R3", "R1…R3", "D1 D2". */
export function referencesIn(cell: string): string[] {
  const joined = cell
    .replace(/\s*(–|\.\.|…|\bto\b)\s*/g, '$1')
    .replace(/([A-Za-z]\d+)\s+-\s+([A-Za-z]?\d)/g, '$1-$2');
  return joined
    .split(/[,;\s]+/)
    .filter(Boolean)
    .flatMap((word) => {
      const range = RANGE.exec(word);
      if (range) {
        const [, letters, from, again, to] = range as unknown as [string, string, string, string, string];
        const count = Number(to) - Number(from) + 1;
        if (
          (again === '' || again.toUpperCase() === letters.toUpperCase()) &&
          count >= 2 &&
          count <= MOST_IN_RANGE
        )
          return Array.from({ length: count }, (_, i) => `${letters}${Number(from) + i}`);
      }
      return REFERENCE.test(word) ? [word] : [];
    });
}
