import { recognition, type Recognition } from './recognise';
import type { NamedFamily, SeenLand } from './seen';

/** Lands that lie alike to this are alike, m: files round to more. */
const ALIKE_m = 1e-6;

/**
 * `recognition` that looks at like lands once: a board has thousands of parts of some dozens of shapes. What it finds is laid where
 * each part's own lands are.
 */
export function recogniser(): typeof recognition {
  const known = new Map<string, Recognition>();
  return (seen, ref, named) => {
    const [first] = seen;
    if (!first) return recognition(seen, ref, named);
    const key = keyOf(seen, first, ref, named);
    let found = known.get(key);
    if (!found) {
      found = recognition(
        seen.map((land) => ({ ...land, x_m: land.x_m - first.x_m, y_m: land.y_m - first.y_m })),
        ref,
        named,
      );
      known.set(key, found);
    }
    return {
      ...found,
      found: found.found.map((one) => ({ ...one, x_m: one.x_m + first.x_m, y_m: one.y_m + first.y_m })),
    };
  };
}

const step = (value_m: number): number => Math.round(value_m / ALIKE_m);

function keyOf(seen: readonly SeenLand[], first: SeenLand, ref: string, named: NamedFamily | null): string {
  const letters = /^[A-Za-z]*/.exec(ref)![0];
  const called = named ? `${named.family} ${named.code ?? ''}` : '';
  let key = `${letters}|${called}`;
  for (const { pad, x_m, y_m, width_m, height_m, hole_m } of seen)
    key += `|${pad} ${step(x_m - first.x_m)} ${step(y_m - first.y_m)} ${step(width_m)} ${step(height_m)} ${hole_m === null ? '' : step(hole_m)}`;
  return key;
}
