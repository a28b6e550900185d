import { GAS_J_molK } from './vapour';

/** Hours at temperatures, as an adhesive's sheet gives them. */
export interface CurePoint {
  readonly temperature_K: number;
  readonly time_s: number;
}

/** Straight line of ln t over 1/T: t = k exp(E/RT). */
export interface CureLaw {
  readonly lnBefore: number;
  readonly activation_J_mol: number;
}

/** The law through a sheet's points by least squares; two points or more at unlike temperatures. */
export function cureLaw(points: readonly CurePoint[]): CureLaw {
  const x = points.map(({ temperature_K }) => 1 / (GAS_J_molK * temperature_K));
  const y = points.map(({ time_s }) => Math.log(time_s));
  const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
  const [mx, my] = [mean(x), mean(y)];
  const spread = x.reduce((sum, v) => sum + (v - mx) ** 2, 0);
  if (!(spread > 0)) throw new Error('a cure is known at two temperatures at least');
  const slope = x.reduce((sum, v, i) => sum + (v - mx) * (y[i]! - my), 0) / spread;
  return { lnBefore: my - slope * mx, activation_J_mol: slope };
}

/** How long a cure takes at one temperature, s. */
export const cure_s = ({ lnBefore, activation_J_mol }: CureLaw, temperature_K: number): number =>
  Math.exp(lnBefore + activation_J_mol / (GAS_J_molK * temperature_K));

/** Share of a cure that lies behind after so long at each temperature (times add as shares of what each would take). */
export const curedBy = (law: CureLaw, spells: readonly CurePoint[]): number =>
  spells.reduce((sum, { temperature_K, time_s }) => sum + time_s / cure_s(law, temperature_K), 0);
