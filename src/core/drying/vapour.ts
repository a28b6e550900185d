import { LIQUIDS, vapourPressure_Pa, type LiquidId } from '~/core/materials/solvents';

/** Gas constant, J/mol K (CODATA 2018). */
export const GAS_J_molK = 8.314462618;

/** One atmosphere, Pa: boards are dried at the height of the sea or not far above it. */
const ATMOSPHERE_Pa = 101_325;

/** The air over a wet board. */
export interface DryingAir {
  readonly air_K: number;
  /** Relative humidity, 0 to 1; only water meets its own vapour. */
  readonly humidity: number;
}

/** Moles of gas in a cubic metre at one atmosphere. */
export const gas_mol_m3 = (temperature_K: number): number => ATMOSPHERE_Pa / (GAS_J_molK * temperature_K);

/** Share of vapour in the air right over the liquid, by moles; null outside the constants' range. */
export function shareOver(liquid: LiquidId, surface_K: number): number | null {
  const pressure_Pa = vapourPressure_Pa(liquid, surface_K);
  return pressure_Pa === null ? null : Math.min(MOST_SHARE, pressure_Pa / ATMOSPHERE_Pa);
}

/** A liquid at its boil is not followed: it is gone as fast as heat comes. */
const MOST_SHARE = 0.98;

/** Share of the same vapour in the room's air. */
export const shareInRoom = (liquid: LiquidId, { air_K, humidity }: DryingAir): number =>
  liquid === 'water' ? humidity * (shareOver('water', air_K) ?? 0) : 0;

/**
 * Drive of diffusion through air that stands: ln((1 − x∞) / (1 − xs)), the vapour's own wind included (Stefan's tube; Bird,
 * Stewart & Lightfoot, Transport Phenomena §18.2). At or below 0 nothing leaves.
 */
export const stefanDrive = (over: number, room: number): number => Math.log((1 - room) / (1 - over));

/** A liquid's moles in a cubic metre. */
export const liquid_mol_m3 = (liquid: LiquidId): number =>
  LIQUIDS[liquid].density.value / LIQUIDS[liquid].molarMass.value;

/** Moles that leave a square metre in a second through still air of this depth (eq. 18.2-14). */
export const stefanFlux_mol_m2s = (
  diffusivity_m2_s: number,
  temperature_K: number,
  depth_m: number,
  over: number,
  room: number,
): number => ((gas_mol_m3(temperature_K) * diffusivity_m2_s) / depth_m) * stefanDrive(over, room);
