/** Dry air at one atmosphere. Temperatures outside the table are held at its ends. */
export interface AirState {
  readonly density_kg_m3: number;
  readonly heat_J_kgK: number;
  readonly viscosity_Pa_s: number;
  readonly conductivity_W_mK: number;
  readonly prandtl: number;
}

/**
 * Incropera & DeWitt, Fundamentals of Heat and Mass Transfer, table A.4 (from memory); one per cent.
 * Columns: T (K), density (kg/m³), heat (J/kgK), viscosity (1e-7 Pa s), conductivity (1e-3 W/mK), Prandtl.
 */
const AIR_TABLE: readonly (readonly [number, number, number, number, number, number])[] = [
  [250, 1.3947, 1006, 159.6, 22.3, 0.72],
  [300, 1.1614, 1007, 184.6, 26.3, 0.707],
  [350, 0.995, 1009, 208.2, 30.0, 0.7],
  [400, 0.8711, 1014, 230.1, 33.8, 0.69],
  [450, 0.774, 1021, 250.7, 37.3, 0.686],
  [500, 0.6964, 1030, 270.1, 40.7, 0.684],
  [550, 0.6329, 1040, 288.4, 43.9, 0.683],
  [600, 0.5804, 1051, 305.8, 46.9, 0.685],
  [650, 0.5356, 1063, 322.5, 49.7, 0.69],
  [700, 0.4975, 1075, 338.8, 52.4, 0.695],
  [750, 0.4643, 1087, 354.6, 54.9, 0.702],
  [800, 0.4354, 1099, 369.8, 57.3, 0.709],
];

export function airAt(temperature_K: number): AirState {
  const last = AIR_TABLE.length - 1;
  const bounded = Math.min(AIR_TABLE[last]![0], Math.max(AIR_TABLE[0]![0], temperature_K));
  const above = Math.max(
    1,
    AIR_TABLE.findIndex((row) => row[0] >= bounded),
  );
  const low = AIR_TABLE[above - 1]!;
  const high = AIR_TABLE[above]!;
  const share = (bounded - low[0]) / (high[0] - low[0]);
  const at = (column: 1 | 2 | 3 | 4 | 5) => low[column] + share * (high[column] - low[column]);
  return {
    density_kg_m3: at(1),
    heat_J_kgK: at(2),
    viscosity_Pa_s: at(3) * 1e-7,
    conductivity_W_mK: at(4) * 1e-3,
    prandtl: at(5),
  };
}
