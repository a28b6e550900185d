import type { PinForecast } from './limits/forecast';
import type { Habit } from './limits/habits';
import type { Stop } from './limits/stop';
import type { NeighbourHeat } from './limits/neighbours';
import type { AirSetting, HandSetting, Setting } from './request';

/** One setting tried on every pin at nominal values. */
export interface Candidate {
  readonly setting: Setting;
  readonly pins: readonly PinForecast[];
  readonly feasible: boolean;
  /** Longest dwell of the pins when all goes to plan, or time under air; null where a pin never melts in time. */
  readonly time_s: number | null;
  /** With a bad contact under a cold tip, on the hardest touch; left out for air and where that touch will not do at all. */
  readonly atWorst?: AtWorst;
  /** What a practised hand would object to; air has no such habits here. */
  readonly against?: readonly Habit[];
  /** Worst pad dose plus worst laminate dose, shares of their budgets. */
  readonly damage: number;
  readonly binding: Binding | null;
  /** Steepest rise of the body against what it stands; only air can shock one. */
  readonly rampRatio?: number;
  readonly neighbours?: readonly NeighbourHeat[];
}

/** A touch at the pessimistic tenth of contact and tip. */
interface AtWorst {
  /** Whether it is off before the longest dwell ends. */
  readonly inTime: boolean;
  /** How long it then lasts past what a hand can time. */
  readonly late_s: number;
}

/** The limit that stops a setting, and by how much. */
export interface Binding {
  readonly pad: string;
  readonly limit: 'melt' | 'method' | 'neighbour' | Stop['because'];
  /** Seconds by which the melt comes too late; null if it never comes within the horizon. */
  readonly short_s: number | null;
  /** How far the coldest solder stays below its liquidus at the stop, K. */
  readonly shortOfLiquidus_K: number | null;
  readonly lastToMelt: string;
  /** The neighbour that gets too hot. */
  readonly neighbour?: Omit<NeighbourHeat, 'ok'>;
}

/** The setting of a candidate that only tools in the hand can have made. */
export function handSettingOf({ setting }: Pick<Candidate, 'setting'>): HandSetting {
  if (setting.kind !== 'hand') throw new Error('a setting of air among tools in the hand');
  return setting;
}

/** The setting of a candidate that only air can have made. */
export function airSettingOf({ setting }: Pick<Candidate, 'setting'>): AirSetting {
  if (setting.kind !== 'air') throw new Error('a tool in the hand among settings of air');
  return setting;
}
