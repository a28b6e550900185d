import { airAt } from '~/core/materials/airTable';
import { DRYING } from '~/core/materials/drying';
import { LIQUIDS, vapourDiffusivity_m2_s, type LiquidId } from '~/core/materials/solvents';
import { GRAVITY_m_s2, radiantFilm_W_m2K } from '~/core/thermal/surface/stillAir';
import { gas_mol_m3, shareInRoom, shareOver, stefanDrive, type DryingAir } from './vapour';

/** A wet face of a board, in the open. */
export interface OpenFilm extends DryingAir {
  readonly liquid: LiquidId;
  readonly film_m: number;
  /** What the board comes back to where nothing cools it. */
  readonly board_K: number;
  readonly airflow_m_s: number;
  /** Heat that a square metre of the board holds, J/m²K. */
  readonly areal_J_m2K: number;
}

export type OpenDrying =
  | { readonly outcome: 'dry'; readonly time_s: number; readonly coolest_K: number }
  | { readonly outcome: 'stays wet' };

/** Molar mass of dry air, kg/mol (CRC Handbook, from memory). */
const AIR_kg_mol = 0.02897;

/** Followed no longer than this. */
const LONGEST_s = 24 * 3600;

/** A step takes no more than one in so many of the whole film, and a quarter of the board's time constant. */
const STEPS = 400;

/**
 * How long a film on an open face takes to go, and how cold it makes the board. The film leaves by its vapour pressure
 * at the face (Antoine), through the air's film (Chilton–Colburn: h/ρc · Le^(−2/3), with Stefan's wind); the heat for it comes out
 * of the board and the air on both faces. Forced: laminar plate, Nu = 0.664 Re½ Pr⅓ (Incropera eq. 7.30); still:
 * plates by the density of air and vapour together (eqs 9.30 and 9.32).
 */
export function dryOpen(film: OpenFilm): OpenDrying {
  const { liquid, board_K } = film;
  const { latentHeat, density } = LIQUIDS[liquid];
  let left_kg_m2 = film.film_m * density.value;
  let face_K = board_K;
  let coolest_K = face_K;
  let time_s = 0;
  const atATime_kg_m2 = left_kg_m2 / STEPS;
  while (left_kg_m2 > 0) {
    const { flux_kg_m2s, film_W_m2K } = evaporation(film, face_K);
    if (flux_kg_m2s <= 0 || time_s > LONGEST_s) return { outcome: 'stays wet' };
    const heat_W_m2K = 2 * (film_W_m2K + radiantFilm_W_m2K(DRYING.emissivity.value, face_K, film.air_K));
    const constant_s = film.areal_J_m2K / heat_W_m2K;
    const step_s = Math.min(atATime_kg_m2 / flux_kg_m2s, constant_s / 4, left_kg_m2 / flux_kg_m2s);
    // Over one step the board nears what film and warmth would settle it at.
    const settles_K = board_K - (flux_kg_m2s * latentHeat.value) / heat_W_m2K;
    face_K = settles_K + (face_K - settles_K) * Math.exp(-step_s / constant_s);
    coolest_K = Math.min(coolest_K, face_K);
    left_kg_m2 = left_kg_m2 - flux_kg_m2s * step_s;
    time_s += step_s;
    if (left_kg_m2 < 1e-9 * atATime_kg_m2) break;
  }
  return { outcome: 'dry', time_s, coolest_K };
}

/** What leaves a wet face at this temperature, and the film of air that it leaves through. */
export function evaporation(
  { liquid, airflow_m_s, ...room }: Pick<OpenFilm, 'liquid' | 'airflow_m_s' | 'air_K' | 'humidity'>,
  face_K: number,
): { readonly flux_kg_m2s: number; readonly film_W_m2K: number } {
  const patch_m = DRYING.patch.value;
  const over = shareOver(liquid, face_K);
  if (over === null) return { flux_kg_m2s: 0, film_W_m2K: 0 };
  const inRoom = shareInRoom(liquid, room);
  const mean_K = (face_K + room.air_K) / 2;
  const air = airAt(mean_K);
  const { molarMass } = LIQUIDS[liquid];
  const weight = (share: number, at_K: number): number =>
    (share * molarMass.value + (1 - share) * AIR_kg_mol) / at_K;
  const lighter = 1 - weight(over, face_K) / weight(inRoom, room.air_K);
  const kinematic = air.viscosity_Pa_s / air.density_kg_m3;
  const rayleigh = (GRAVITY_m_s2 * Math.abs(lighter) * patch_m ** 3 * air.prandtl) / kinematic ** 2;
  // Heavy vapour lies on the board like cold air on a plate that faces up.
  const still = Math.max(1, lighter >= 0 ? 0.54 * rayleigh ** 0.25 : 0.52 * rayleigh ** 0.2);
  const blown = 0.664 * Math.sqrt((airflow_m_s * patch_m) / kinematic) * Math.cbrt(air.prandtl);
  // Mixed: the cubes add (Incropera eq. 9.64).
  const film_W_m2K = (Math.cbrt(still ** 3 + blown ** 3) * air.conductivity_W_mK) / patch_m;
  const capacity_J_m3K = air.density_kg_m3 * air.heat_J_kgK;
  const lewis = air.conductivity_W_mK / capacity_J_m3K / vapourDiffusivity_m2_s(liquid, mean_K);
  const passes_m_s = film_W_m2K / (capacity_J_m3K * lewis ** (2 / 3));
  const flux_kg_m2s = passes_m_s * gas_mol_m3(mean_K) * stefanDrive(over, inRoom) * molarMass.value;
  return { flux_kg_m2s, film_W_m2K };
}
