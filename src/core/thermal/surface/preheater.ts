import type { PreheaterId } from '~/core/materials/air';
import { airAt } from '~/core/materials/airTable';
import { SURFACE } from '~/core/materials/surfaces';
import { naturalFilm_W_m2K, pairEmissivity, radiantFilm_W_m2K, type Facing } from './stillAir';

/**
 * Film between a preheater at its set temperature and the board's face before it, W/m²K; it hides room and room air.
 * Warm air: a constant film. Plate: conduction through the air gap. Infrared: grey exchange between parallel plates
 * times the view factor, and the air between emitter and board, which is at the mean of both and so brings half its
 * natural film. `length_m` is the board's area over its perimeter.
 */
export function preheaterFilm_W_m2K(
  kind: PreheaterId,
  setpoint_K: number,
  face_K: number,
  facing: Facing,
  length_m: number,
): number {
  switch (kind) {
    case 'convective':
      return SURFACE.warmAirFilm.value;
    case 'infrared': {
      const between_K = (setpoint_K + face_K) / 2;
      return (
        emitterFilm_W_m2K(setpoint_K, face_K) + naturalFilm_W_m2K(facing, face_K, between_K, length_m) / 2
      );
    }
    case 'plate':
      return airAt((setpoint_K + face_K) / 2).conductivity_W_mK / SURFACE.plateGap.value;
  }
}

/** The radiant part of an infrared source's film, W/m²K: never more than between black bodies. */
export const emitterFilm_W_m2K = (setpoint_K: number, face_K: number): number =>
  SURFACE.emitterView.value *
  radiantFilm_W_m2K(
    pairEmissivity(SURFACE.emitterEmissivity.value, SURFACE.maskEmissivity.value),
    face_K,
    setpoint_K,
  );
