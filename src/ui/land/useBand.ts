import { useRef, useState, type PointerEvent } from 'react';
import type { PadPlace } from './walk';

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A hand that moves less than this has clicked, px. */
const CLICK_px = 6;

/** A box drawn over pads takes those whose middle it holds, in the order the part numbers them. */
export function useBand(places: readonly PadPlace[], onRun: ((pads: readonly string[]) => void) | undefined) {
  const [box, setBox] = useState<Box | null>(null);
  const from = useRef<{ x: number; y: number; clientX: number; clientY: number } | null>(null);
  const dragged = useRef(false);

  const at = (event: PointerEvent<SVGSVGElement>): { x: number; y: number } | null => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!matrix) return null;
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x: point.x, y: point.y };
  };
  const end = (): void => {
    from.current = null;
    setBox(null);
  };

  return {
    box,
    /** Whether the pointer that was let go had drawn a box: its click is none. */
    moved: (): boolean => dragged.current,
    handlers: onRun && {
      onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
        const start = event.button === 0 ? at(event) : null;
        dragged.current = false;
        from.current = start && { ...start, clientX: event.clientX, clientY: event.clientY };
      },
      onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
        const start = from.current;
        const here = start && at(event);
        if (!start || !here) return;
        const far = Math.hypot(event.clientX - start.clientX, event.clientY - start.clientY) > CLICK_px;
        if (!far && !dragged.current) return;
        if (!dragged.current) event.currentTarget.setPointerCapture(event.pointerId);
        dragged.current = true;
        setBox({
          x: Math.min(start.x, here.x),
          y: Math.min(start.y, here.y),
          width: Math.abs(here.x - start.x),
          height: Math.abs(here.y - start.y),
        });
      },
      onPointerUp: () => {
        if (box) {
          const inside = places.filter(
            (p) => p.x >= box.x && p.x <= box.x + box.width && p.y >= box.y && p.y <= box.y + box.height,
          );
          if (inside.length > 0) onRun(inside.map((p) => p.pad));
        }
        end();
      },
      onPointerCancel: end,
    },
  };
}
