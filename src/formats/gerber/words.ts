/** Letters of a data block and their numbers as written, in whatever order they stand. */
export interface Words {
  x?: string;
  y?: string;
  i?: string;
  j?: string;
  d?: string;
}

/** `X100Y200I5J-5D01` taken apart. Throws an Error where anything else stands in it. */
export function wordsOf(block: string): Words {
  const words: Words = {};
  const pattern = /([XYIJD])([+-]?\d*\.?\d+)\s*/y;
  while (pattern.lastIndex < block.length) {
    const found = pattern.exec(block);
    if (!found) throw new Error('is no Gerber command');
    words[found[1]!.toLowerCase() as keyof Words] = found[2]!;
  }
  return words;
}
