import type { DrawnPlace } from './layout';

/** A spot for a word or a mark. */
export interface Spot {
  readonly x: number;
  readonly y: number;
  readonly textAnchor: 'start' | 'middle' | 'end';
}

/** Where a pad's words and marks go, so that those of two neighbours never lie on each other. */
export interface WordPlaces {
  readonly number: Spot;
  /** Null where there is no room: it is read aloud, and the panels beside the drawing tell it. */
  readonly note: Spot | null;
  readonly order: Spot;
  readonly badge: Spot;
}

/**
 * Number above, note under, marks at the corners; of pads that stand above each other, number and order on the body's
 * side, the rest outside. On a fine pitch number and marks stand outside the pack.
 */
export function wordPlaces(
  place: DrawnPlace,
  body: { width: number; height: number },
  { fine, unit, odd }: { readonly fine: boolean; readonly unit: number; readonly odd: boolean },
): WordPlaces {
  const { x, y, halfWidth, halfHeight } = place;
  const corner = { x: x + halfWidth, y: y - halfHeight, textAnchor: 'middle' } as const;
  if (fine) {
    const number = outsidePack(place, body, unit);
    return { number, note: null, order: number, badge: besidePack(place, body, unit * (odd ? 2.2 : 0.85)) };
  }
  if (!place.stacked) {
    return {
      number: { x, y: y - halfHeight - unit * 0.55, textAnchor: 'middle' },
      note: { x, y: y + halfHeight + unit * (odd ? 2.35 : 1.25), textAnchor: 'middle' },
      order: { x: x - halfWidth - unit * 0.25, y: y + halfHeight, textAnchor: 'middle' },
      badge: corner,
    };
  }
  const out = Math.sign(x) || 1;
  const [inner, outer] = [x - out * halfWidth, x + out * halfWidth];
  return {
    number: { x: inner - out * unit * 0.35, y: y + unit * 0.4, textAnchor: out > 0 ? 'end' : 'start' },
    note: null,
    order: { x: outer + out * unit * 1.7, y, textAnchor: 'middle' },
    badge: { x: outer + out * unit * 0.4, y: y - halfHeight * 0.4, textAnchor: 'middle' },
  };
}

/** Size of a note's letters, in a drawing's units. */
export const NOTE_SIZE = 0.92;
/** A letter of the figures' face is so wide, of its size. */
const LETTER = 0.6;

/**
 * Whether notes of pads that stand so far apart keep clear of each other, in two rows where they are crowded; where
 * they do not, only the chosen pad's is drawn.
 */
export const notesFit = (
  notes: readonly string[],
  pitch: number,
  { unit, crowded }: { readonly unit: number; readonly crowded: boolean },
): boolean =>
  Math.max(0, ...notes.map((note) => note.length)) * LETTER * NOTE_SIZE * unit < (crowded ? 2 : 1) * pitch;

/** A note's spot moved so that it does not run over an edge of the drawing. */
export function within(
  spot: Spot,
  note: string,
  { x, width, unit }: { readonly x: number; readonly width: number; readonly unit: number },
): Spot {
  const half = (note.length * LETTER * NOTE_SIZE * unit) / 2;
  const [low, high] = [x + half + 0.3 * unit, x + width - half - 0.3 * unit];
  return { ...spot, x: low > high ? spot.x : Math.min(high, Math.max(low, spot.x)) };
}

/** Out from a land, away from the pack: marks of neighbours stand in two rows, so that none covers another. */
function besidePack(place: DrawnPlace, body: { width: number; height: number }, out: number): Spot {
  const beside = Math.abs(place.x) / body.width >= Math.abs(place.y) / body.height;
  return beside
    ? { x: place.x + Math.sign(place.x) * (place.halfWidth + out), y: place.y, textAnchor: 'middle' }
    : { x: place.x, y: place.y + Math.sign(place.y) * (place.halfHeight + out), textAnchor: 'middle' };
}

function outsidePack(place: DrawnPlace, body: { width: number; height: number }, unit: number): Spot {
  const beside = Math.abs(place.x) / body.width >= Math.abs(place.y) / body.height;
  if (beside) {
    const out = Math.sign(place.x);
    return {
      x: place.x + out * (place.halfWidth + unit * 0.3),
      y: place.y + unit * 0.32,
      textAnchor: out < 0 ? 'end' : 'start',
    };
  }
  const down = place.y > 0;
  return {
    x: place.x,
    y: place.y + (down ? place.halfHeight + unit : -place.halfHeight - unit * 0.3),
    textAnchor: 'middle',
  };
}
