import { STILL_AIR, PREHEATERS, type PreheaterId } from '~/core/materials/air';
import { arealHeat_J_m2K, type Board } from './stackup';

export interface Preheat {
  readonly kind: PreheaterId;
  readonly setpoint_K: number;
  readonly soak_s: number;
  /** It warms the face that is worked on, as warm air over the board does; else it stands beneath. */
  readonly fromWorkFace?: boolean | undefined;
}

/**
 * Temperature of the board when the iron touches down, K: one lump per area, warmed from below by
 * the preheater and cooled from above by still air, or the other way (Incropera ch. 5, lumped
 * capacitance). The face worked on is taken to look up.
 */
export function boardTemperature_K(board: Board, preheat: Preheat | null, ambient_K: number): number {
  if (!preheat) return ambient_K;
  const film = PREHEATERS[preheat.kind].film.value;
  const loss = (preheat.fromWorkFace ? STILL_AIR.boardBottom : STILL_AIR.boardTop).value;
  const settled_K = (film * preheat.setpoint_K + loss * ambient_K) / (film + loss);
  const share = -Math.expm1((-(film + loss) * preheat.soak_s) / arealHeat_J_m2K(board));
  return ambient_K + (settled_K - ambient_K) * share;
}
