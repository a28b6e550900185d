/** Where a number comes from, so that a screen can say how far to trust it. */
export type Standing = 'published' | 'from-memory' | 'assumed';

/** One material constant: its value in SI, where it holds, how sure it is, and who says so. */
export interface Property<Unit extends string = string> {
  readonly value: number;
  readonly unit: Unit;
  /** Range over which the value may be used, or within which a calibration may move it. */
  readonly range: readonly [number, number];
  /** One standard deviation as a share of the value. */
  readonly uncertainty: number;
  readonly standing: Standing;
  readonly source: string;
}

export function property<Unit extends string>(
  value: number,
  unit: Unit,
  range: readonly [number, number],
  uncertainty: number,
  standing: Standing,
  source: string,
): Property<Unit> {
  return { value, unit, range, uncertainty, standing, source };
}

/** Log-normal factor of a property at `z` standard deviations, kept inside the property's physical range. */
export function scatter(of: Property, z: number): number {
  const factor = Math.exp(of.uncertainty * z);
  return Math.min(of.range[1] / of.value, Math.max(of.range[0] / of.value, factor));
}
