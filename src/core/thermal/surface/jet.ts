import { airAt } from '~/core/materials/airTable';

/**
 * Where hot air leaves; a rectangle lies with its width along the board's x. With slots it is a hood, which blows along
 * the four sides of that rectangle and not from all of it.
 */
export type Nozzle =
  | { readonly shape: 'round'; readonly diameter_m: number }
  | {
      readonly shape: 'rectangle';
      readonly width_m: number;
      readonly height_m: number;
      /** Width of a hood's slots. */
      readonly slot_m?: number | undefined;
    };

/** Half of what a nozzle covers along x and y, m. */
export const halvesOf_m = (nozzle: Nozzle): readonly [number, number] =>
  nozzle.shape === 'round'
    ? [nozzle.diameter_m / 2, nozzle.diameter_m / 2]
    : [nozzle.width_m / 2, nozzle.height_m / 2];

export const isHood = (
  nozzle: Nozzle,
): nozzle is Extract<Nozzle, { shape: 'rectangle' }> & { slot_m: number } =>
  nozzle.shape === 'rectangle' && nozzle.slot_m !== undefined;

export interface Jet {
  readonly nozzle: Nozzle;
  /** Air temperature at the outlet. */
  readonly air_K: number;
  /** Volume flow as the station shows it, metered cold (20 °C). */
  readonly flow_m3_s: number;
  readonly standoff_m: number;
}

const METERED_K = 293.15;
/** Longer over wider from here on a rectangle is a slot. */
const SLOT_ASPECT = 4;

/** Of all that a nozzle covers. */
const mouthArea_m2 = (nozzle: Nozzle): number =>
  nozzle.shape === 'round' ? (Math.PI / 4) * nozzle.diameter_m ** 2 : nozzle.width_m * nozzle.height_m;

/** Of what the air comes out of: a hood's slots meet at its corners. */
const outletArea_m2 = (nozzle: Nozzle): number =>
  isHood(nozzle)
    ? mouthArea_m2(nozzle) -
      Math.max(0, nozzle.width_m - 2 * nozzle.slot_m) * Math.max(0, nozzle.height_m - 2 * nozzle.slot_m)
    : mouthArea_m2(nozzle);

/** Diameter of the circle with the outlet's area. */
const equivalentDiameter_m = (nozzle: Nozzle): number => Math.sqrt((4 * mouthArea_m2(nozzle)) / Math.PI);

export const massFlow_kg_s = (jet: Jet): number => jet.flow_m3_s * airAt(METERED_K).density_kg_m3;

/** Gas constant and ratio of specific heats of air (Incropera table A.4 and eq. of state). */
const AIR_GAS = { constant_J_kgK: 287, heats: 1.4 } as const;

/** No station's pump gives more: past this the outlet chokes and the correlations mean nothing (assumed). */
export const MOST_MACH = 0.8;
/** Under this air is as good as incompressible. */
const SLOW_MACH = 0.3;

/** Speed at the outlet over that of sound in its air. */
export function outletMach(jet: Pick<Jet, 'nozzle' | 'air_K' | 'flow_m3_s'>): number {
  const density = airAt(METERED_K).density_kg_m3 * (METERED_K / jet.air_K);
  const speed_m_s = (jet.flow_m3_s * airAt(METERED_K).density_kg_m3) / (density * outletArea_m2(jet.nozzle));
  return speed_m_s / Math.sqrt(AIR_GAS.heats * AIR_GAS.constant_J_kgK * jet.air_K);
}

/**
 * Mean Nusselt number under a single round nozzle over a disc of radius r, divided by Pr^0.42.
 * Martin, Advances in Heat Transfer 13 (1977), as Incropera eq. 7.74 to 7.76 give it:
 * G = (D/r)(1 − 1.1 D/r) / (1 + 0.1 (H/D − 6) D/r), F = 2 Re^½ (1 + 0.005 Re^0.55)^½.
 * Valid for 2000 ≤ Re ≤ 400 000, 2 ≤ H/D ≤ 12, 2.5 ≤ r/D ≤ 7.5.
 */
export function roundMeanNusselt(reynolds: number, heightRatio: number, radiusRatio: number): number {
  return meanShape(radiusRatio, slope(heightRatio)) * roundStrength(reynolds);
}

const slope = (heightRatio: number): number => 0.1 * (heightRatio - 6);
const meanShape = (s: number, a: number): number => (s - 1.1) / (s * (s + a));
const roundStrength = (reynolds: number): number =>
  2 * Math.sqrt(reynolds) * Math.sqrt(1 + 0.005 * reynolds ** 0.55);

/** Within this many diameters Martin gives means only. */
const STAGNATION = 2.5;

/**
 * Local value of the same. Outside the stagnation zone it is the derivative of the mean over the
 * disc, (1/2s) d(s² mean)/ds. Inside, a cone that meets the local value at the rim and keeps the
 * zone's mean (assumed shape: measured profiles peak at the centre at about twice the rim's value).
 */
export function roundLocalNusselt(reynolds: number, heightRatio: number, radiusRatio: number): number {
  const a = slope(heightRatio);
  const local = (s: number): number => ((2 * s - 1.1) * (s + a) - s * (s - 1.1)) / (2 * s * (s + a) ** 2);
  const rim = local(STAGNATION);
  if (radiusRatio >= STAGNATION) return local(radiusRatio) * roundStrength(reynolds);
  const centre = 3 * meanShape(STAGNATION, a) - 2 * rim;
  return (centre + (rim - centre) * (radiusRatio / STAGNATION)) * roundStrength(reynolds);
}

/**
 * Mean Nusselt number (on the hydraulic diameter 2W) under a single slot of width W over ±x, divided
 * by Pr^0.42: 3.06 Re^m / (x/W + H/W + 2.78), m = 0.695 − [x/2W + (H/2W)^1.33 + 3.06]⁻¹.
 * Martin 1977, Incropera eq. 7.77; valid for 3000 ≤ Re ≤ 90 000, 2 ≤ H/W ≤ 10, 4 ≤ x/W ≤ 20.
 */
export function slotMeanNusselt(reynolds: number, heightRatio: number, distanceRatio: number): number {
  const exponent = 0.695 - 1 / (distanceRatio / 2 + (heightRatio / 2) ** 1.33 + 3.06);
  return (3.06 * reynolds ** exponent) / (distanceRatio + heightRatio + 2.78);
}

/** What of Martin's ranges a jet leaves; its film is then an extrapolation. */
export function jetOutsideRange(jet: Jet): string[] {
  const { reynolds, heightRatio, slot } = jetNumbers(jet);
  const found: string[] = [];
  const least = slot ? 3000 : 2000;
  if (reynolds < least)
    found.push(`so little air (Reynolds ${reynolds.toFixed(0)}, under ${least}) is less sure`);
  if (heightRatio < 2)
    found.push(`${heightRatio.toFixed(1)} times its width away, closer than 2: figures less sure`);
  const mach = outletMach(jet);
  if (mach > SLOW_MACH) found.push(`air leaves at Mach ${mach.toFixed(1)}: figures less sure`);
  if (heightRatio > (slot ? 10 : 12))
    found.push(`${heightRatio.toFixed(0)} times its width away: figures less sure`);
  return found;
}

/** Outlet and its numbers; Reynolds with the air's viscosity at the outlet, or at a film's temperature. */
export function jetNumbers(
  jet: Jet,
  film_K = jet.air_K,
): {
  reynolds: number;
  heightRatio: number;
  slot: boolean;
  across_m: number;
} {
  const { nozzle } = jet;
  const { short_m, slot } = outline(nozzle);
  const across_m = slot ? short_m : equivalentDiameter_m(nozzle);
  const reynolds =
    (massFlow_kg_s(jet) * hydraulic_m(jet)) / (outletArea_m2(nozzle) * airAt(film_K).viscosity_Pa_s);
  return { reynolds, heightRatio: jet.standoff_m / across_m, slot, across_m };
}

/** A rectangle this much longer than wide is taken as a slot. */
function outline(nozzle: Nozzle): { short_m: number; slot: boolean } {
  if (nozzle.shape === 'round') return { short_m: nozzle.diameter_m, slot: false };
  if (isHood(nozzle)) return { short_m: nozzle.slot_m, slot: true };
  const short_m = Math.min(nozzle.width_m, nozzle.height_m);
  return { short_m, slot: Math.max(nozzle.width_m, nozzle.height_m) >= SLOT_ASPECT * short_m };
}

/** Length that Nusselt and Reynolds numbers go by: the outlet's width, of a slot twice that. */
export function hydraulic_m({ nozzle }: Pick<Jet, 'nozzle'>): number {
  const { short_m, slot } = outline(nozzle);
  return slot ? 2 * short_m : equivalentDiameter_m(nozzle);
}

/** Radius of the disc with the area that a nozzle covers. */
export const outletRadius_m = (nozzle: Nozzle): number => equivalentDiameter_m(nozzle) / 2;

/** Local slot value: derivative of x·mean beyond four widths, the mean over those four within. */
export function slotLocalNusselt(reynolds: number, height: number, s: number): number {
  const inner = 4;
  if (s <= inner) return slotMeanNusselt(reynolds, height, inner);
  const ds = 1e-3 * s;
  const total = (at: number): number => at * slotMeanNusselt(reynolds, height, at);
  return (total(s + ds) - total(s - ds)) / (2 * ds);
}
