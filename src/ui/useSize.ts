import { useEffect, useState, type RefObject } from 'react';

/** How large an element is on the screen, px; null until it was measured. */
export function useSize(element: RefObject<Element | null>): { width: number; height: number } | null {
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  useEffect(() => {
    const at = element.current;
    if (!at || typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      if (width > 0 && height > 0) setSize({ width, height });
    });
    observer.observe(at);
    return () => observer.disconnect();
  }, [element]);
  return size;
}
