/** A display rounds, and a station stands a little beside what it was turned to (common practice). */
const NEAR_K = 5;

/**
 * What was read off a station's display against what the plan is for; null where they agree, else what is wrong and what
 * to do. Degrees Celsius.
 */
export function readBackRefusal(planned_C: number, shown_C: number | undefined): string | null {
  if (shown_C === undefined)
    return `nothing was read from the station’s display; give what it shows; the plan is for ${planned_C} °C`;
  return Math.abs(shown_C - planned_C) <= NEAR_K
    ? null
    : `the display shows ${shown_C} °C and the plan is for ${planned_C} °C; turn it and read it again`;
}
