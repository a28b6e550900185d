/** A table's row (GitHub Flavored Markdown). */
export const row = (cells: readonly string[]): string => `| ${cells.map(plain).join(' | ')} |`;

/** A heading and what stands below it; nothing where nothing does. */
export const section = (title: string, lines: readonly string[]): string =>
  lines.length === 0 ? '' : `## ${title}\n\n${lines.join('\n')}`;

/** In universal time, and said so: a file is read elsewhere. */
export const stampOf = (at_ms: number): string =>
  `${new Date(at_ms).toISOString().slice(0, 16).replace('T', ' ')} UTC`;

/** Signs that Markdown would take for its own, and ends of lines, as what they are. */
export const plain = (text: string): string =>
  text.replace(/[\\`*_{}[\]<>#|~]/g, (sign) => `\\${sign}`).replace(/\s*\n\s*/g, ' ');
