import type { Spread } from '~/core/statistics/percentile';
import type { Dwell } from '~/core/record/runState';
import type { ForetoldId, Seen } from './foretold';

/** A band whose ends may lie past all that was followed. */
type Band = { readonly [End in keyof Spread]: number | null };

/** What is told of a plan: where a touch was expected to melt, how long it may last, and how hot its land gets. */
export interface PlannedPin {
  readonly pad: string;
  readonly pads: readonly string[];
  readonly stepIds: ReadonlySet<string>;
  readonly melt_s: Band;
  readonly liftFrom_s: number | null;
  readonly stop_s: number;
  readonly padPeak_C: Band | null;
}

/** What touches came to that were foretold: the first of each pad in each step. */
export function touchesSeen(
  pins: readonly PlannedPin[],
  dwells: readonly Dwell[],
): Readonly<Record<Exclude<ForetoldId, 'minutes'>, readonly Seen[]>> {
  const met = new Set<string>();
  const firsts = dwells.flatMap((dwell) => {
    const { stepId, pad } = dwell;
    const pin = pins.find((p) => p.stepIds.has(stepId) && (p.pad === pad || p.pads.includes(pad)));
    const key = `${stepId} ${pad}`;
    // What is warm already from the touch before melts sooner than was foretold.
    if (!pin || (dwell.melted_s ?? dwell.off_s) === null || met.has(key)) return [];
    met.add(key);
    return [{ pin, dwell }];
  });
  return {
    melt: firsts.map(({ pin, dwell }) => ({
      ...bandOf(pin.melt_s),
      seen: (dwell.melted_s ?? dwell.off_s)!,
      came: dwell.melted_s !== null,
    })),
    dwell: firsts.flatMap(({ pin, dwell: { off_s } }) =>
      off_s === null
        ? []
        : [{ low: pin.melt_s.p10, expected: pin.liftFrom_s, high: pin.stop_s, seen: off_s, came: true }],
    ),
    peak: firsts.flatMap(({ pin: { padPeak_C }, dwell: { exposure } }) =>
      // What was only reckoned would hold the model against itself.
      padPeak_C && exposure?.measured ? [{ ...bandOf(padPeak_C), seen: exposure.peak_C, came: true }] : [],
    ),
  };
}

export const bandOf = ({ p10, p50, p90 }: Band): Pick<Seen, 'low' | 'expected' | 'high'> => ({
  low: p10,
  expected: p50,
  high: p90,
});
