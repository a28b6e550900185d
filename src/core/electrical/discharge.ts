import { OVERLOAD } from './partData';
import { preferredFrom } from '~/core/quantity/series';

/** A capacitor that is bled through a resistor. */
export interface Discharge {
  readonly value_F: number;
  readonly from_V: number;
  readonly resistor_Ohm: number;
  readonly to_V: number;
}

export interface Discharged {
  readonly time_s: number;
  readonly peak_W: number;
  readonly energy_J: number;
}

/** u = U·exp(−t/RC); 0 where it is there already. */
export const timeTo_s = ({ value_F, from_V, resistor_Ohm }: Omit<Discharge, 'to_V'>, to_V: number): number =>
  Math.max(0, resistor_Ohm * value_F * Math.log(Math.abs(from_V) / to_V));

export const discharged = (given: Discharge): Discharged => ({
  time_s: timeTo_s(given, given.to_V),
  peak_W: given.from_V ** 2 / given.resistor_Ohm,
  energy_J: 0.5 * given.value_F * given.from_V ** 2,
});

/** Ratings that benches have, W: wirewound, in a ceramic case. */
const RATINGS_W = [2, 5, 10, 17, 25, 50] as const;
/** Longer than this nobody holds a probe. */
const PATIENT_s = 10;

export interface Suggested {
  readonly resistor_Ohm: number;
  readonly power_W: number;
  readonly time_s: number;
}

/**
 * The smallest rating whose resistor bleeds it in a hand's patience: as low as its overload lets it be, of E12, and its
 * energy no more than it takes within that overload. Null where no resistor of a bench does.
 */
export function suggestDischarge({
  value_F,
  from_V,
  to_V,
}: Omit<Discharge, 'resistor_Ohm'>): Suggested | null {
  const energy_J = 0.5 * value_F * from_V ** 2;
  for (const power_W of RATINGS_W) {
    const resistor_Ohm = preferredFrom(Math.max(100, from_V ** 2 / (OVERLOAD.times.value * power_W)), 'E12');
    const time_s = timeTo_s({ value_F, from_V, resistor_Ohm }, to_V);
    if (time_s <= PATIENT_s && energy_J <= OVERLOAD.times.value * power_W * OVERLOAD.lasting.value)
      return { resistor_Ohm, power_W, time_s };
  }
  return null;
}
