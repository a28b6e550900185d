import { STILL_AIR, PREHEATERS, type PreheaterId } from '../materials/air';
import { arealHeat_J_m2K, type Board } from './stackup';

export interface Preheat {
  readonly kind: PreheaterId;
  readonly setpoint_K: number;
  readonly soak_s: number;
}

/**
 * Temperature of the board when the iron touches down, K: one lump per area, warmed from below by
 * the preheater and cooled from above by still air (Incropera ch. 5, lumped capacitance).
 */
export function boardTemperature_K(board: Board, preheat: Preheat | null, ambient_K: number): number {
  if (!preheat) return ambient_K;
  const film = PREHEATERS[preheat.kind].film.value;
  const loss = STILL_AIR.boardTop.value;
  const settled_K = (film * preheat.setpoint_K + loss * ambient_K) / (film + loss);
  const share = -Math.expm1((-(film + loss) * preheat.soak_s) / arealHeat_J_m2K(board));
  return ambient_K + (settled_K - ambient_K) * share;
}
