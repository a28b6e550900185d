export interface PadPlace {
  readonly pad: string;
  readonly x: number;
  readonly y: number;
}

const DIRECTIONS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/**
 * The pad an arrow key leads to: the nearest one in that direction, sideways distance counted double.
 * With nothing selected any arrow takes the first pad. Null when the key is no arrow or leads nowhere.
 */
export function nextPad(places: readonly PadPlace[], selected: string | null, key: string): string | null {
  const direction = DIRECTIONS[key];
  if (!direction) return null;
  const from = places.find((p) => p.pad === selected);
  if (!from) return places[0]?.pad ?? null;
  let best: { pad: string; cost: number } | null = null;
  for (const place of places) {
    const dx = place.x - from.x;
    const dy = place.y - from.y;
    const along = dx * direction[0] + dy * direction[1];
    if (along <= 1e-6) continue;
    const aside = Math.abs(dx * direction[1]) + Math.abs(dy * direction[0]);
    const cost = along + 2 * aside;
    if (!best || cost < best.cost) best = { pad: place.pad, cost };
  }
  return best?.pad ?? null;
}

/** Pads between two, by the order in which the part numbers them; either end first. */
export function padsBetween(names: readonly string[], from: string, to: string): string[] {
  const [a, b] = [names.indexOf(from), names.indexOf(to)];
  if (a < 0 || b < 0) return [to];
  const between = names.slice(Math.min(a, b), Math.max(a, b) + 1);
  return a <= b ? between : between.reverse();
}

/** A run grown by the pad walked to; walking back over it gives the last pad up. */
export function extended(run: readonly string[], selected: string, moved: string): string[] {
  const from = run.includes(selected) ? run : [selected];
  return from.at(-2) === moved ? from.slice(0, -1) : [...from.filter((pad) => pad !== moved), moved];
}
