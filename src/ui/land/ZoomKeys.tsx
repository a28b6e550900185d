import { Button } from '~/ui/controls/Button';
import type { LandLayout, LandView } from './layout';
import css from './land.module.css';

/** Keys of the drawing that come closer and go further; digits are pins. */
export const ZOOM_KEYS: Readonly<Record<string, 'in' | 'out'>> = { '+': 'in', '=': 'in', '-': 'out' };

const MOST = 8;

export function nextZoom(zoom: number, way: 'in' | 'out'): number {
  return Math.min(MOST, Math.max(1, way === 'in' ? zoom * 2 : zoom / 2));
}

interface ZoomKeysProps {
  readonly layout: LandLayout;
  readonly view: LandView;
  readonly zoom: number;
  readonly onZoom: (zoom: number) => void;
}

/** Closer and further, with a small map of the whole pack while only a piece of it is seen. */
export function ZoomKeys({ layout, view, zoom, onZoom }: ZoomKeysProps) {
  const { halfWidth, halfHeight, places } = layout;
  return (
    <div className={css['zoom']}>
      {zoom > 1 && (
        <svg
          className={css['map']}
          viewBox={`${-halfWidth} ${-halfHeight} ${2 * halfWidth} ${2 * halfHeight}`}
          aria-hidden="true"
        >
          {places.map((p) => (
            <rect
              key={p.pad}
              className={css['land']}
              x={p.x - p.halfWidth}
              y={p.y - p.halfHeight}
              width={2 * p.halfWidth}
              height={2 * p.halfHeight}
            />
          ))}
          <rect
            className={css['selected']}
            x={view.x}
            y={view.y}
            width={view.width}
            height={view.height}
            strokeWidth={halfWidth / 20}
          />
        </svg>
      )}
      <Button small disabled={zoom >= MOST} aria-label="Closer" onClick={() => onZoom(nextZoom(zoom, 'in'))}>
        +
      </Button>
      <Button small disabled={zoom <= 1} aria-label="Further" onClick={() => onZoom(nextZoom(zoom, 'out'))}>
        −
      </Button>
    </div>
  );
}
