import { useEffect, useRef, useState, type RefObject } from 'react';
import { flushSync } from 'react-dom';

/** How much of a long list is drawn: so many lines with the page, further ones as it is read on, all of them on paper. */
interface Drawn {
  readonly drawn: number;
  /** What stands at its end while there is more: it grows where that comes into sight. */
  readonly end: RefObject<HTMLParagraphElement | null>;
  readonly all: () => void;
}

/** Draws a list of `count` lines as far as it is looked at. */
export function useDrawn(
  count: number,
  { first, further }: { readonly first: number; readonly further: number },
): Drawn {
  const [drawn, setDrawn] = useState(first);
  const end = useRef<HTMLParagraphElement>(null);
  const left = count - drawn;
  useEffect(() => {
    if (left <= 0) return;
    const grow = ([at]: readonly IntersectionObserverEntry[]): void => {
      // Under a hand that has come to its button nothing moves away.
      if (at!.isIntersecting && !end.current?.contains(document.activeElement))
        setDrawn((so) => so + further);
    };
    const near = new IntersectionObserver(grow, { rootMargin: '600px' });
    near.observe(end.current!);
    return () => near.disconnect();
  }, [left, further]);
  // On paper all of it, and at once: the page is taken as soon as this is heard.
  useEffect(() => {
    const all = (): void => flushSync(() => setDrawn(Infinity));
    window.addEventListener('beforeprint', all);
    return () => window.removeEventListener('beforeprint', all);
  }, []);
  return { drawn, end, all: () => setDrawn(Infinity) };
}
