import { SaxesParser } from 'saxes';
import { inOneGo } from '~/core/stepwise';
import { lineFault } from '~/formats/lineFault';
import { Board } from './board';
import type { Exchange } from './exchange';

/** Characters given to the parser between two words of progress. */
const AT_A_TIME = 64 * 1024;
/** Elements within one another; the standard's are a dozen deep. */
const DEEPEST = 64;

/** The whole file at once, as `readingExchange` reads it. */
export const readExchange = (text: string): Exchange => inOneGo(readingExchange(text));

/**
 * Reads a board exchange file (IPC-2581 B and C, from memory): components and packages, nets, lands, copper contours and lines by
 * layer, the outline and drills of its first step. Streamed; what is not well-formed ends the reading with a fault by line, and
 * what came before is kept. Nothing throws. Yields the share that is read.
 */
export function* readingExchange(text: string): Generator<number, Exchange> {
  const board = new Board();
  const parser = new SaxesParser();
  let depth = 0;
  /** What ended the reading. */
  const broken: string[] = [];
  parser.on('error', (error) => void broken.push(error.message));
  parser.on('opentag', ({ name, attributes }) => {
    if (++depth > DEEPEST) broken.push('elements lie too deep within one another');
    board.open(local(name), attributes, parser.line);
  });
  parser.on('closetag', ({ name }) => {
    depth--;
    board.close(local(name));
  });
  for (let at = 0; at < text.length && broken.length === 0 && !board.isFull; at += AT_A_TIME) {
    parser.write(text.slice(at, at + AT_A_TIME));
    yield at / text.length;
  }
  if (broken.length === 0 && !board.isFull) parser.close();
  const line = parser.line;
  const [why] = broken;
  return board.read(
    why === undefined
      ? []
      : [lineFault(line, '', `is not well-formed XML (${why}); what follows is not read`)],
  );
}

/** A name without its namespace. */
const local = (name: string): string => name.slice(name.indexOf(':') + 1);
