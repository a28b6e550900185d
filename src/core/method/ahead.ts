/** What a place comes to over a heating, at even times from heat on: its tenths and its middle, K. */
export interface Course {
  readonly p10_K: readonly number[];
  readonly p50_K: readonly number[];
  readonly p90_K: readonly number[];
}

/** Places that thermocouples sit at. */
export interface PlacesAhead {
  readonly land: Course;
  readonly body: Course;
}

/** With the tenths closer than this nothing tells yet which of the courses a reading is on. */
const APART_K = 3;

/** No reading is taken for a course farther out than this, in tenths' distances from the middle. */
const FARTHEST = 3;

/** A course at one time by linear interpolation, held at its end. */
export function courseAt_K(values: readonly number[], step_s: number, at_s: number): number {
  const x = Math.min(values.length - 1, Math.max(0, at_s / step_s));
  const i = Math.min(values.length - 2, Math.floor(x));
  if (i < 0) return values[0]!;
  return values[i]! + (x - i) * (values[i + 1]! - values[i]!);
}

/** Which course a reading is on: 0 the middle, 1 the upper tenth, −1 the lower. */
function placeOf({ p10_K, p50_K, p90_K }: Course, step_s: number, at_s: number, read_K: number): number {
  const [low, middle, high] = [p10_K, p50_K, p90_K].map((v) => courseAt_K(v, step_s, at_s)) as [
    number,
    number,
    number,
  ];
  if (high - low < APART_K) return 0;
  const reach = read_K >= middle ? high - middle : middle - low;
  return Math.max(-FARTHEST, Math.min(FARTHEST, (read_K - middle) / Math.max(APART_K / 2, reach)));
}

/**
 * When a reading will pass a limit, s from now, by the model's own course from where it stands: among the plan's draws it
 * follows the one that it is on. Null where it will not within that horizon; 0 where it has.
 */
export function passesIn_s(
  course: Course,
  step_s: number,
  at_s: number,
  read_K: number,
  limit_K: number,
  horizon_s: number,
): number | null {
  if (read_K >= limit_K) return 0;
  const place = placeOf(course, step_s, at_s, read_K);
  const onCourse = (time_s: number): number => {
    const middle = courseAt_K(course.p50_K, step_s, time_s);
    const edge = courseAt_K(place >= 0 ? course.p90_K : course.p10_K, step_s, time_s);
    return middle + Math.abs(place) * (edge - middle);
  };
  const now_K = onCourse(at_s);
  for (let ahead_s = step_s; ahead_s <= horizon_s; ahead_s += step_s)
    if (read_K + onCourse(at_s + ahead_s) - now_K >= limit_K) return ahead_s;
  return null;
}
