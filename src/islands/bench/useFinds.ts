import { useEffect, useState } from 'react';
import { LEAST_FIND, MOST_FIND, type BenchFind } from '~/schema/sheets/benchSheet';
import { getJson } from '~/ui/api';

/** A hand that is still typing is not asked after. */
const PAUSE_ms = 200;

/** What is on which board, by what was typed; empty until the answer is there. */
export function useFinds(filter: string): ReadonlyMap<string, string> {
  const [finds, setFinds] = useState<ReadonlyMap<string, string>>(new Map());
  useEffect(() => {
    setFinds(new Map());
    const text = filter.trim().slice(0, MOST_FIND);
    if (text.length < LEAST_FIND) return;
    let current = true;
    const timer = setTimeout(() => {
      getJson<BenchFind[]>(`/api/bench/find?find=${encodeURIComponent(text)}`).then(
        (list) => current && setFinds(new Map(list.map(({ boardId, because }) => [boardId, because]))),
        // What is on the page is searched all the same.
        () => undefined,
      );
    }, PAUSE_ms);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [filter]);
  return finds;
}
