/** "6, 18-20 A1" as pad names; what names no pad is told by `strayPins`. */
export const pinsIn = (text: string, names: readonly string[]): string[] =>
  wordsIn(text).filter((name) => names.includes(name));

/** What was typed and names no pad. */
export const strayPins = (text: string, names: readonly string[]): string[] =>
  wordsIn(text).filter((name) => !names.includes(name));

const wordsIn = (text: string): string[] =>
  text
    .toUpperCase()
    .split(/[\s,;]+/)
    .filter(Boolean)
    .flatMap((word) => {
      const [, from, to] = /^(\d+)-(\d+)$/.exec(word) ?? [];
      if (from === undefined) return [word];
      const [a, b] = [Number(from), Number(to)];
      return Array.from({ length: Math.min(2000, Math.max(0, b - a + 1)) }, (_, i) => String(a + i));
    });
