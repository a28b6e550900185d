import type { PreheaterId } from '~/core/materials/air';
import { airAt } from '~/core/materials/airTable';
import { SURFACE } from '~/core/materials/surfaces';
import { pairEmissivity, radiantFilm_W_m2K } from './stillAir';

/**
 * Film between a preheater at its set temperature and the board's face above it, W/m²K.
 * Warm air: a constant film. Infrared: grey exchange between parallel plates times the view factor,
 * about the face's running temperature. Plate: conduction through the air gap.
 */
export function preheaterFilm_W_m2K(kind: PreheaterId, setpoint_K: number, face_K: number): number {
  switch (kind) {
    case 'convective':
      return SURFACE.warmAirFilm.value;
    case 'infrared': {
      const pair = pairEmissivity(SURFACE.emitterEmissivity.value, SURFACE.maskEmissivity.value);
      return SURFACE.emitterView.value * radiantFilm_W_m2K(pair, face_K, setpoint_K);
    }
    case 'plate':
      return airAt((setpoint_K + face_K) / 2).conductivity_W_mK / SURFACE.plateGap.value;
  }
}
