import { useEffect, useRef, useState, type RefObject } from 'react';
import type { WaitingFor } from '~/core/record/waiting';
import type { BenchBoard } from '~/schema/sheets/benchSheet';
import { getJson } from '~/ui/api';

interface More {
  /** Boards fetched since the page was opened. */
  readonly boards: readonly BenchBoard[];
  readonly failed: boolean;
  readonly fetch: (waits: WaitingFor, from: number) => void;
}

/** Further boards of a long bench, a page at a time as they are asked for. */
export function useMore(): More {
  const [boards, setBoards] = useState<readonly BenchBoard[]>([]);
  const [failed, setFailed] = useState(false);
  const asked = useRef(new Set<string>());
  const fetch = (waits: WaitingFor, from: number): void => {
    const key = `${waits} ${from}`;
    if (asked.current.has(key)) return;
    asked.current.add(key);
    getJson<{ boards: readonly BenchBoard[] }>(`/api/bench/lines?waits=${waits}&from=${from}`).then(
      (page) => {
        setFailed(false);
        setBoards((before) => [...before, ...page.boards]);
      },
      () => {
        asked.current.delete(key);
        setFailed(true);
      },
    );
  };
  return { boards, failed, fetch };
}

/** Calls when an element comes near the window, so that what follows is there before it is looked for. */
export function useNearing<Element extends HTMLElement>(near: () => void): RefObject<Element | null> {
  const element = useRef<Element>(null);
  const newest = useRef(near);
  newest.current = near;
  useEffect(() => {
    if (!element.current || typeof IntersectionObserver === 'undefined') return;
    const watching = new IntersectionObserver(
      (seen) => seen.some(({ isIntersecting }) => isIntersecting) && newest.current(),
      { rootMargin: '600px' },
    );
    watching.observe(element.current);
    return () => watching.disconnect();
  }, []);
  return element;
}
