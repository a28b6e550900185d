/** One command of a Gerber file: a word (`D01*`) or an extended one (`%…%`, its blocks apart). */
export interface Command {
  readonly line: number;
  /** Where in the text it begins. */
  readonly at: number;
  readonly extended: boolean;
  /** Blocks without their asterisks; a word has one. */
  readonly blocks: readonly string[];
}

/** Splits a file into commands. What stands outside of any is passed over, as the format asks. */
export function* commandsOf(text: string): Generator<Command> {
  let at = 0;
  let line = 1;
  const countLines = (upTo: number, from: number): void => {
    for (let i = from; i < upTo; i++) if (endsLine(text, i)) line++;
  };
  while (at < text.length) {
    const char = text[at]!;
    if (char === '%') {
      const end = text.indexOf('%', at + 1);
      const stop = end < 0 ? text.length : end;
      const began = { line, at };
      const blocks = text
        .slice(at + 1, stop)
        .split('*')
        .map((block) => block.replace(/[\r\n]+/g, ''))
        .filter((block) => block !== '');
      countLines(stop + 1, at);
      at = stop + 1;
      if (blocks.length > 0) yield { ...began, extended: true, blocks };
    } else if (char === '\n' || char === '\r' || char === ' ' || char === '\t' || char === '*') {
      if (endsLine(text, at)) line++;
      at++;
    } else {
      const end = text.indexOf('*', at);
      const stop = end < 0 ? text.length : end;
      const began = { line, at };
      const word = text.slice(at, stop).replace(/[\r\n]+/g, '');
      countLines(stop + 1, at);
      at = stop + 1;
      yield { ...began, extended: false, blocks: [word] };
    }
  }
}

/** A line ends with a newline, or with a return that none follows. */
const endsLine = (text: string, at: number): boolean => {
  const code = text.charCodeAt(at);
  return code === 10 || (code === 13 && text.charCodeAt(at + 1) !== 10);
};

/** Lines of a text, whichever way they end. */
export const linesOf = (text: string): number => (text.match(/\r\n|\r|\n/g)?.length ?? 0) + 1;
