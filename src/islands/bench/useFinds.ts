import { useEffect, useState } from 'react';
import { LEAST_FIND, MOST_FIND, type BenchBoard, type BenchFinds } from '~/schema/sheets/benchSheet';
import { getJson } from '~/ui/api';

/** A hand that is still typing is not asked after. */
const PAUSE_ms = 200;

/** What a search of the whole record found. */
interface Found {
  /** What is on which board; empty where it is the board itself that is called so. */
  readonly finds: ReadonlyMap<string, string>;
  /** Boards that may not be on the page. */
  readonly boards: readonly BenchBoard[];
}

const NOTHING: Found = { finds: new Map(), boards: [] };

/** What the record has of what was typed; nothing until the answer is there. */
export function useFinds(filter: string): Found {
  const [found, setFound] = useState(NOTHING);
  useEffect(() => {
    setFound(NOTHING);
    const text = filter.trim().slice(0, MOST_FIND);
    if (text.length < LEAST_FIND) return;
    let current = true;
    const timer = setTimeout(() => {
      getJson<BenchFinds>(`/api/bench/find?find=${encodeURIComponent(text)}`).then(
        ({ finds, boards }) =>
          current &&
          setFound({
            finds: new Map([
              ...boards.map(({ id }) => [id, ''] as const),
              ...finds.map(({ boardId, because }) => [boardId, because] as const),
            ]),
            boards,
          }),
        // What is on the page is searched all the same.
        () => undefined,
      );
    }, PAUSE_ms);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [filter]);
  return found;
}
