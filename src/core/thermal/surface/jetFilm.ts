import { airAt } from '~/core/materials/airTable';
import { SURFACE } from '~/core/materials/surfaces';
import {
  hydraulic_m,
  isHood,
  jetNumbers,
  massFlow_kg_s,
  outletRadius_m,
  roundLocalNusselt,
  slotLocalNusselt,
  type Jet,
  type Nozzle,
} from './jet';

/** What a jet does at one place of the face under it. */
interface JetPlace {
  /** Distance from the axis (from a slot's line, a rectangle's middle and then its outline), in outlet widths. */
  readonly distance: number;
  /** Film to a face at ambient. */
  readonly film_W_m2K: number;
  /** Share of the outlet's excess over ambient that is left in air that has given no heat. */
  readonly left: number;
  /** How much of the nozzle's mouth the place sees, 0 to 1. */
  readonly mouth: number;
}

/** A jet over a face: what it does where, and what it can give. */
export interface JetOver {
  at(x_m: number, y_m: number): JetPlace;
  /** Film to a face of that temperature over the film to one at ambient. */
  warming(face_K: number): number;
  /** What a kelvin of the air's excess carries, W/K. */
  readonly carried_W_K: number;
}

/** Stand-offs under so many widths are taken at it: there the correlations begin. */
const LEAST_HEIGHT = 2;

/**
 * A jet by Martin's correlations (`jet`), properties midway between outlet and face. Between two widths and half a width of
 * stand-off nothing is known and the film stays; nearer, the air is squeezed out through a gap narrower than the
 * outlet: the gradient under it grows from V/D to V/2H, and a laminar film with its root (assumed, under the outlet).
 * The axis keeps the outlet's temperature along its core, then `5 (ρ₀/ρₐ)^½ D/x` of it (Hinze, from memory); along the
 * wall a jet spreads in a ring and mixes as over twice the way in free air (Goldstein and others 1990, from memory).
 * A slot's jet mixes with the root of its way, past a core of six widths (plane free jet; from memory).
 */
export function jetOver(jet: Jet, ambient_K: number): JetOver {
  const { nozzle } = jet;
  const { heightRatio, slot, across_m } = jetNumbers(jet);
  const height = Math.max(LEAST_HEIGHT, heightRatio);
  const filmTo = (face_K: number): ((distance: number) => number) => {
    const film_K = (jet.air_K + face_K) / 2;
    const air = airAt(film_K);
    const { reynolds } = jetNumbers(jet, film_K);
    const scale = (air.prandtl ** 0.42 * air.conductivity_W_mK) / hydraulic_m(jet);
    const nusselt = slot ? slotLocalNusselt : roundLocalNusselt;
    return (distance) => Math.max(0, nusselt(reynolds, height, distance) * scale);
  };
  const squeeze = Math.max(1, Math.sqrt(1 / (2 * heightRatio)));
  const thinning = Math.sqrt(ambient_K / jet.air_K);
  const radius_m = outletRadius_m(nozzle);
  const cold = filmTo(ambient_K);
  const ratios = Float64Array.from(
    { length: WARM_ROWS },
    (_, i) => filmTo(ambient_K + i * WARM_STEP_K)(0) / cold(0),
  );
  return {
    carried_W_K: massFlow_kg_s(jet) * airAt((jet.air_K + ambient_K) / 2).heat_J_kgK,
    warming: (face_K) => {
      const at = Math.min(WARM_ROWS - 1.001, Math.max(0, (face_K - ambient_K) / WARM_STEP_K));
      const low = Math.floor(at);
      return ratios[low]! + (at - low) * (ratios[low + 1]! - ratios[low]!);
    },
    at(x_m, y_m) {
      const distance = distanceRatio(nozzle, across_m, slot, x_m, y_m);
      // Under a hood air that has come off the slots has nowhere to take still air from.
      const sheltered = isHood(nozzle) && isUnder(nozzle, x_m, y_m);
      const outside = sheltered ? 0 : Math.max(0, distance - 0.5);
      const way = heightRatio + (slot ? 1 : SURFACE.wallSpread.value) * outside;
      return {
        distance,
        film_W_m2K: cold(distance) * (1 + (squeeze - 1) * Math.max(0, 1 - 2 * outside)),
        left: Math.min(
          1,
          slot
            ? Math.sqrt((SURFACE.slotCore.value * thinning) / way)
            : (SURFACE.axisDecay.value * thinning) / way,
        ),
        mouth: mouthSeen(Math.hypot(x_m, y_m), radius_m, jet.standoff_m),
      };
    },
  };
}

const WARM_STEP_K = 25;
const WARM_ROWS = 24;

/**
 * View from a small face to a disc parallel to it, off its axis: ½ (1 − (a² + h² − r²)/√((a² + h² + r²)² − 4 a² r²))
 * (Howell, A Catalog of Radiation Heat Transfer Configuration Factors, B-13; from memory).
 */
export function mouthSeen(away_m: number, radius_m: number, standoff_m: number): number {
  const [a, r, h] = [away_m ** 2, radius_m ** 2, standoff_m ** 2];
  return 0.5 * (1 - (a + h - r) / Math.sqrt((a + h + r) ** 2 - 4 * a * r));
}

const isUnder = (nozzle: { width_m: number; height_m: number }, x_m: number, y_m: number): boolean =>
  Math.abs(x_m) <= nozzle.width_m / 2 && Math.abs(y_m) <= nozzle.height_m / 2;

/** From the middle line of a hood's slots, m, either way. */
function fromSlots_m(
  nozzle: { width_m: number; height_m: number; slot_m: number },
  x_m: number,
  y_m: number,
): number {
  const dx_m = Math.abs(x_m) - (nozzle.width_m - nozzle.slot_m) / 2;
  const dy_m = Math.abs(y_m) - (nozzle.height_m - nozzle.slot_m) / 2;
  if (dx_m > 0 && dy_m > 0) return Math.hypot(dx_m, dy_m);
  return dx_m <= 0 && dy_m <= 0 ? Math.min(-dx_m, -dy_m) : Math.max(dx_m, dy_m);
}

/** Distance from the axis in outlet widths; about a rectangle it is counted from its outline on. */
function distanceRatio(nozzle: Nozzle, across_m: number, slot: boolean, x_m: number, y_m: number): number {
  if (nozzle.shape === 'round') return Math.hypot(x_m, y_m) / across_m;
  if (isHood(nozzle)) return fromSlots_m(nozzle, x_m, y_m) / across_m;
  const a = nozzle.width_m / 2;
  const b = nozzle.height_m / 2;
  if (slot) {
    const [along_m, away_m, half_m] =
      a > b ? [Math.abs(x_m), Math.abs(y_m), a] : [Math.abs(y_m), Math.abs(x_m), b];
    return Math.hypot(Math.max(0, along_m - half_m), away_m) / across_m;
  }
  const outside_m = Math.hypot(Math.max(0, Math.abs(x_m) - a), Math.max(0, Math.abs(y_m) - b));
  const inside = Math.min(1, Math.max(Math.abs(x_m) / a, Math.abs(y_m) / b));
  return 0.5 * inside + outside_m / across_m;
}
