import { PLAN } from '../settings';
import type { Setting } from '../request';
import { apart_m, areasOf } from './areas';
import { RECAP } from './data';
import { NOTHING_READY, takenUp, type Preparation, type SiteWants, type ToolWanted } from './readiness';
import type { RecapPhase, RecapSite } from './site';

/** How hot a place is that lies so far from a joint just worked, and how it cools. */
export interface Warmth {
  /** Above ambient, K, at a distance when the tip leaves. */
  readonly rise_K: (distance_m: number) => number;
  readonly constant_s: number;
  readonly ambient_K: number;
}

/** One site in an order of working: what comes before it, and its own time. All in whole tenths of a minute, s. */
export interface Leg {
  readonly ref: string;
  readonly todo: Preparation;
  readonly move_s: number;
  readonly tray_s: number;
  readonly station_s: number;
  readonly soak_s: number;
  /** Waiting for a warm neighbour. */
  readonly wait_s: number;
  /** Off, dressing and on. */
  readonly own_s: number;
  readonly total_s: number;
}

/** One order of working, and what it costs. */
export interface Sequence {
  readonly by: 'value' | 'area';
  readonly legs: readonly Leg[];
  /** Once before and once at the end: discharging; cleaning, washing where it is, drying and the supply. */
  readonly before_s: number;
  readonly after_s: number;
  /** The sum of all of it. */
  readonly total_s: number;
  /** Times an area is warmed or taken up again. */
  readonly areaVisits: number;
  /** Times another tray is opened. */
  readonly trays: number;
  /** Times a station is set. */
  readonly stations: number;
  readonly wait_s: number;
  /** Soaks of the preheater. */
  readonly soaks: number;
  /** Expected number of parts fitted in a wrong place. */
  readonly mixUps: number;
  /** Under the tip in all, s. */
  readonly heat_s: number;
}

/** Value by value, and within a value area by area; or area by area, and within an area value by value. */
export function sequences(
  sites: readonly RecapSite[],
  warmth: Warmth,
  /** What washing at the end takes, where the board is washed. */
  washed_s = 0,
): readonly [Sequence, Sequence] {
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
    priced('value', order([byValue, byArea]), area, warmth, washed_s),
    priced('area', order([byArea, byValue]), area, warmth, washed_s),
  ];
}

function priced(
  by: Sequence['by'],
  order: readonly RecapSite[],
  area: ReadonlyMap<string, number>,
  warmth: Warmth,
  washed_s: number,
): Sequence {
  let ready = NOTHING_READY;
  const legs = order.map((site, i): Leg => {
    const wants = wantsOf(site, area.get(site.ref)!);
    const { todo, after } = takenUp(ready, wants);
    ready = after;
    const before = order[i - 1];
    const cold = before && wants.warmth === null;
    return legOf(site, todo, cold ? coolingWait_s(apart_m(before, site), warmth) : 0);
  });
  const before_s = legs.length > 0 ? tenths_s(RECAP.discharge_s.value) : 0;
  const after_s =
    legs.length > 0
      ? tenths_s(RECAP.clean_s.value + washed_s + PLAN.underPartDry_s + RECAP.supply_s.value)
      : 0;
  const count = (is: (leg: Leg) => number): number => legs.reduce((sum, leg) => sum + is(leg), 0);
  // One tray is open at a time value by value; area by area all of them stand side by side.
  const slip = by === 'value' ? RECAP.slipOneTray.value : RECAP.slipManyTrays.value;
  const kinds = new Set(order.map((s) => s.value)).size;
  return {
    by,
    legs,
    before_s,
    after_s,
    total_s: before_s + count((leg) => leg.total_s) + after_s,
    areaVisits: count((leg) => Number(leg.todo.move)),
    trays: count((leg) => Number(leg.todo.tray)),
    stations: count((leg) => leg.todo.set.filter(Boolean).length),
    wait_s: count((leg) => leg.wait_s),
    soaks: count((leg) => Number(leg.todo.warm)),
    mixUps: kinds > 1 ? slip * order.length : 0,
    heat_s: order.reduce((sum, site) => sum + phasesIn(site).reduce((s, p) => s + p.heat_s, 0), 0),
  };
}

const phasesIn = ({ work }: RecapSite): RecapPhase[] =>
  work === null ? [] : work.off ? [work.off, work.on] : [work.on];

/** What a site wants of the bench, from the settings of its phases. */
function wantsOf(site: RecapSite, area: number): SiteWants {
  const phases = phasesIn(site);
  const preheat = phases.find((p) => p.setting.preheat)?.setting.preheat;
  return {
    area,
    value: site.value,
    tools: phases.map((p) => toolWanted(p.setting)),
    warmth: preheat ? `${preheat.kind} ${preheat.setpoint_K}` : null,
  };
}

function toolWanted(setting: Setting): ToolWanted {
  if (setting.kind === 'air') {
    const { station, nozzle, air_K, flow_m3_s, standoff_m } = setting;
    return {
      toolId: station.id,
      at: JSON.stringify([nozzle, air_K, flow_m3_s, standoff_m]),
      turned: false,
    };
  }
  const { tool, tip, setpoint_K, perPad_K = {} } = setting;
  return {
    toolId: tool.id,
    at: JSON.stringify([tip, setpoint_K]),
    turned: Object.values(perPad_K).some((hot_K) => hot_K !== setpoint_K),
  };
}

function legOf(site: RecapSite, todo: Preparation, wait_s: number): Leg {
  const phases = phasesIn(site);
  const soaks = phases.map((p) => p.setting.preheat?.soak_s ?? 0);
  const parts = {
    move_s: todo.move ? RECAP.move_s.value : 0,
    tray_s: todo.tray ? RECAP.tray_s.value : 0,
    station_s: todo.set.filter(Boolean).length * RECAP.station_s.value,
    soak_s: todo.warm ? Math.max(0, ...soaks) : 0,
    wait_s,
    // A soak serves every site of the area that is worked in one visit; each site's own minutes count its own.
    own_s:
      phases.reduce((sum, p) => sum + 60 * p.minutes, 0) -
      soaks.reduce((a, b) => a + b, 0) +
      RECAP.handling_s.value,
  };
  const shown = Object.fromEntries(
    Object.entries(parts).map(([name, time_s]) => [name, tenths_s(time_s)]),
  ) as typeof parts;
  return {
    ref: site.ref,
    todo,
    ...shown,
    total_s: Object.values(shown).reduce((a, b) => a + b, 0),
  };
}

/** To the tenth of a minute, which is what is shown: what is shown adds up. */
const tenths_s = (time_s: number): number => 6 * Math.round(time_s / 6);

/** Until a land so far from the last joint is cool enough to be worked. */
export function coolingWait_s(distance_m: number, { rise_K, constant_s, ambient_K }: Warmth): number {
  const limit_K = RECAP.coolEnough.value - ambient_K;
  const rise = rise_K(distance_m);
  return rise <= limit_K ? 0 : constant_s * Math.log(rise / limit_K);
}
