import { RECAP } from './data';
import type { RecapSite } from './site';

/** How hot a place is that lies so far from a joint just worked, and how it cools. */
export interface Warmth {
  /** Above ambient, K, at a distance when the tip leaves. */
  readonly rise_K: (distance_m: number) => number;
  readonly constant_s: number;
  readonly ambient_K: number;
}

/** One order of working, and what it costs. */
export interface Sequence {
  readonly by: 'value' | 'area';
  readonly refs: readonly string[];
  readonly minutes: number;
  /** Times an area is warmed or taken up again. */
  readonly areaVisits: number;
  /** Times another tray is opened. */
  readonly trays: number;
  /** Waiting for a warm neighbour, min. */
  readonly wait_min: number;
  /** Soaks of the preheater. */
  readonly soaks: number;
  /** Expected number of parts fitted in a wrong place. */
  readonly mixUps: number;
  /** Under the tip in all, s. */
  readonly heat_s: number;
}

/** Sites that lie within reach of a first one, gathered greedily from the left: what is warmed together. */
export function areasOf(sites: readonly RecapSite[]): Map<string, number> {
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

const apart_m = (a: RecapSite, b: RecapSite): number => Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m);

/** Value by value, and within a value area by area; or area by area, and within an area value by value. */
export function sequences(sites: readonly RecapSite[], warmth: Warmth): readonly [Sequence, Sequence] {
  const able = sites.filter((s) => s.work !== null);
  const area = areasOf(able);
  const values = [...new Set(able.map((s) => s.value))].sort((a, b) =>
    a.localeCompare(b, 'en', { numeric: true }),
  );
  const valueRank = new Map(values.map((v, i) => [v, i]));
  const order = (keys: ((s: RecapSite) => number)[]): RecapSite[] =>
    [...able].sort((a, b) => {
      for (const key of keys) if (key(a) !== key(b)) return key(a) - key(b);
      return a.ref.localeCompare(b.ref, 'en', { numeric: true });
    });
  const byValue = (s: RecapSite): number => valueRank.get(s.value)!;
  const byArea = (s: RecapSite): number => area.get(s.ref)!;
  return [
    priced('value', order([byValue, byArea]), area, warmth),
    priced('area', order([byArea, byValue]), area, warmth),
  ];
}

function priced(
  by: Sequence['by'],
  order: readonly RecapSite[],
  area: ReadonlyMap<string, number>,
  warmth: Warmth,
): Sequence {
  let seconds = 0;
  let wait_s = 0;
  let areaVisits = 0;
  let trays = 0;
  let soaks = 0;
  let heat_s = 0;
  let warmed = false;
  order.forEach((site, i) => {
    const before = order[i - 1];
    const moved = !before || area.get(before.ref) !== area.get(site.ref);
    const swapped = !before || before.value !== site.value;
    const { off, on } = site.work!;
    if (moved) {
      areaVisits++;
      warmed = false;
      seconds += RECAP.move_s.value;
    }
    if (swapped) {
      trays++;
      seconds += RECAP.tray_s.value;
    }
    const soak_s = Math.max(off.setting.preheat?.soak_s ?? 0, on.setting.preheat?.soak_s ?? 0);
    // A soak serves every site of the area that is worked in one visit; each site's own minutes count its own.
    const own_s =
      60 * (off.minutes + on.minutes) -
      (off.setting.preheat?.soak_s ?? 0) -
      (on.setting.preheat?.soak_s ?? 0);
    if (soak_s > 0 && !warmed) {
      seconds += soak_s;
      soaks++;
      warmed = true;
    }
    const cooling_s = before && !warmed ? coolingWait_s(apart_m(before, site), warmth) : 0;
    wait_s += cooling_s;
    seconds += own_s + cooling_s;
    heat_s += off.heat_s + on.heat_s;
  });
  // One tray is open at a time value by value; area by area all of them stand side by side.
  const slip = by === 'value' ? RECAP.slipOneTray.value : RECAP.slipManyTrays.value;
  const kinds = new Set(order.map((s) => s.value)).size;
  return {
    by,
    refs: order.map((s) => s.ref),
    minutes: seconds / 60,
    areaVisits,
    trays,
    wait_min: wait_s / 60,
    soaks,
    mixUps: kinds > 1 ? slip * order.length : 0,
    heat_s,
  };
}

/** Until a land so far from the last joint is cool enough to be worked. */
export function coolingWait_s(distance_m: number, { rise_K, constant_s, ambient_K }: Warmth): number {
  const limit_K = RECAP.coolEnough.value - ambient_K;
  const rise = rise_K(distance_m);
  return rise <= limit_K ? 0 : constant_s * Math.log(rise / limit_K);
}
