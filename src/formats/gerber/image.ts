import { moved, rectangle, UPRIGHT, type ImageObject } from '~/core/artwork/shapes';
import { laid, type Reading } from '~/formats/reading';
import type { Artwork } from './artwork';

type Drawn = Pick<Artwork, 'objects' | 'pads' | 'strokes'>;

/** All that was drawn as it lies by a reading that turns it over or moves it. */
export function asLaid(drawn: Drawn, reading: Reading): Drawn {
  const [dx, dy] = reading.moved_m;
  if (!reading.mirrored && dx === 0 && dy === 0) return drawn;
  const turn = { ...UPRIGHT, mirrorX: reading.mirrored };
  return {
    objects: drawn.objects.map((object) => ({
      ...object,
      shapes: object.shapes.map((shape) => ({ ...shape, contour: moved(shape.contour, turn, dx, dy) })),
    })),
    pads: drawn.pads.map((pad) => {
      const [x_m, y_m] = laid(reading, pad.x_m, pad.y_m);
      return { ...pad, x_m, y_m };
    }),
    strokes: drawn.strokes.map(([[x0, y0], [x1, y1]]) => [laid(reading, x0, y0), laid(reading, x1, y1)]),
  };
}

/** A negative image: copper all over what it spans, but where it draws. */
export function inverted(objects: readonly ImageObject[]): ImageObject[] {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { shapes } of objects) {
    for (const { contour } of shapes) {
      for (let i = 0; i + 1 < contour.length; i += 2) {
        [x0, x1] = [Math.min(x0, contour[i]!), Math.max(x1, contour[i]!)];
        [y0, y1] = [Math.min(y0, contour[i + 1]!), Math.max(y1, contour[i + 1]!)];
      }
    }
  }
  if (x0 > x1) return [];
  const whole = rectangle((x0 + x1) / 2, (y0 + y1) / 2, x1 - x0, y1 - y0);
  return [
    { dark: true, shapes: [{ contour: whole, dark: true }] },
    ...objects.map((object) => ({ ...object, dark: !object.dark })),
  ];
}

/** A pour's contour crosses a height some hundreds of times, round every clearance twice; one of this many is no copper. */
const MOST_CROSSINGS = 4000;

/** Whether a contour crosses its heights so often, on average, that painting it would take minutes. */
export function crossedOften(contour: readonly number[]): boolean {
  let [low, high, gone] = [Infinity, -Infinity, 0];
  for (let i = 1; i < contour.length; i += 2) {
    low = Math.min(low, contour[i]!);
    high = Math.max(high, contour[i]!);
    if (i > 1) gone += Math.abs(contour[i]! - contour[i - 2]!);
  }
  return gone > MOST_CROSSINGS * (high - low);
}
