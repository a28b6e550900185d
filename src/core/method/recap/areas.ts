import { RECAP } from './data';

interface Place {
  readonly ref: string;
  readonly x_m: number;
  readonly y_m: number;
}

/** Sites that lie within reach of a first one, gathered greedily from the left: what is warmed together. By reference. */
export function areasOf(sites: readonly Place[]): Map<string, number> {
  const area = new Map<string, number>();
  const left = [...sites].sort((a, b) => a.x_m - b.x_m || a.y_m - b.y_m);
  let next = 0;
  while (left.length > 0) {
    const first = left.shift()!;
    area.set(first.ref, next);
    for (let i = left.length - 1; i >= 0; i--) {
      if (apart_m(first, left[i]!) > RECAP.areaRadius.value) continue;
      area.set(left[i]!.ref, next);
      left.splice(i, 1);
    }
    next++;
  }
  return area;
}

export const apart_m = (a: Place, b: Place): number => Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m);
