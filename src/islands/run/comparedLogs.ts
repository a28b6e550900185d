import type { Courses } from '~/core/method/courses';
import { TOGETHER } from '~/core/record/runState';
import type { ThermalProfile } from '~/schema/values/thermalProfile';

/** One temperature over time, from heat on. */
export interface ComparedLine {
  readonly name: string;
  readonly at_s: readonly number[];
  readonly value_C: readonly (number | null)[];
}

/** Channels of a log with their clock set to its first heat; one that knows of none keeps its own. */
export function linesOf({ channels, elapsed_s, values, marks }: ThermalProfile): ComparedLine[] {
  const on_s = marks.find(({ what }) => what === 'heat on')?.at_s ?? 0;
  const at_s = elapsed_s.map((t) => t - on_s);
  return channels.map(({ id, name }) => ({ name, at_s, value_C: values[id]! }));
}

/** What the plan expected of a touch: its middle and both tenths, for land and body. */
export function planLines(
  { touches, step_s }: Courses,
  pad: string,
  toCelsius: (t_K: number) => number,
): ComparedLine[] {
  const own = touches.find((t) => t.touches.includes(pad) || t.touches.includes(TOGETHER));
  if (!own) return [];
  return (['land', 'body'] as const).flatMap((place) =>
    (
      [
        ['p50_K', 'expected'],
        ['p10_K', 'lower tenth'],
        ['p90_K', 'upper tenth'],
      ] as const
    ).map(([of, words]) => ({
      name: `${place}, ${words}`,
      at_s: own[place][of].map((_, i) => i * step_s),
      value_C: own[place][of].map(toCelsius),
    })),
  );
}

export interface ReadOff {
  readonly peak_C: number;
  readonly peakAt_s: number;
  readonly over_s: number;
  readonly steepest_K_s: number;
}

/** A rise is read over this long: a sensor's noise is no ramp. */
const RAMP_s = 1;

/** Peak, time over a level and steepest rise of a line; null where it has no reading. */
export function readOff({ at_s, value_C }: ComparedLine, level_C: number): ReadOff | null {
  const read = at_s.flatMap((t, i) => (value_C[i] === null ? [] : [[t, value_C[i]!] as const]));
  if (read.length === 0) return null;
  const [peakAt_s, peak_C] = read.reduce((a, b) => (b[1] > a[1] ? b : a));
  let [over_s, steepest, from] = [0, 0, 0];
  for (let i = 1; i < read.length; i++) {
    const [t, v] = read[i]!;
    if (v >= level_C && read[i - 1]![1] >= level_C) over_s += t - read[i - 1]![0];
    while (t - read[from + 1]![0] >= RAMP_s) from++;
    const span_s = t - read[from]![0];
    if (span_s >= RAMP_s) steepest = Math.max(steepest, (v - read[from]![1]) / span_s);
  }
  return { peak_C, peakAt_s, over_s, steepest_K_s: steepest };
}
