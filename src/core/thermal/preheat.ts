import type { PreheaterId } from '~/core/materials/air';
import { STILL_AIR } from '~/core/materials/air';
import { LAMINATES } from '~/core/materials/laminates';
import { SURFACE } from '~/core/materials/surfaces';
import { arealHeat_J_m2K, type Board } from './stackup';
import { preheaterFilm_W_m2K } from './surface/preheater';
import { naturalFilm_W_m2K, radiantFilm_W_m2K, type Facing } from './surface/stillAir';

export interface Preheat {
  readonly kind: PreheaterId;
  readonly setpoint_K: number;
  readonly soak_s: number;
  /** It warms the face that is worked on, as warm air over the board does; else it stands beneath. */
  readonly fromWorkFace?: boolean | undefined;
}

/** What a face meets: a film to something of one temperature. */
export interface FaceFilm {
  readonly film_W_m2K: number;
  readonly air_K: number;
  /** The face itself, when the tool touches down. */
  readonly face_K: number;
}

/** A board as the tool meets it. The face worked on is taken to look up. */
export interface Soaked {
  /** Mean over its thickness. */
  readonly board_K: number;
  readonly work: FaceFilm;
  readonly far: FaceFilm;
}

/** So many steps follow a soak; films are those of each step's start. */
const STEPS = 120;

/** What each board was soaked to last: hundreds of draws ask for the same. */
const soaks = new WeakMap<Board, SoakedTo>();

interface SoakedTo {
  readonly preheat: Preheat | null;
  readonly ambient_K: number;
  readonly soaked: Soaked;
}

const isSoakedTo = (known: SoakedTo, preheat: Preheat | null, ambient_K: number): boolean =>
  known.ambient_K === ambient_K &&
  (known.preheat === preheat || JSON.stringify(known.preheat) === JSON.stringify(preheat));

/**
 * A board soaked over its preheater and in still air, by the films that the whole board has: two faces of half its heat
 * each, joined through its laminate, stepped implicitly. Without a preheater it is at the room.
 */
export function soaked(board: Board, preheat: Preheat | null, ambient_K: number): Soaked {
  const known = soaks.get(board);
  if (known && isSoakedTo(known, preheat, ambient_K)) return known.soaked;
  const soaked = soak(board, preheat, ambient_K);
  soaks.set(board, { preheat, ambient_K, soaked });
  return soaked;
}

function soak(board: Board, preheat: Preheat | null, ambient_K: number): Soaked {
  if (!preheat) {
    const at = (film_W_m2K: number): FaceFilm => ({ film_W_m2K, air_K: ambient_K, face_K: ambient_K });
    return {
      board_K: ambient_K,
      work: at(STILL_AIR.boardTop.value),
      far: at(STILL_AIR.boardBottom.value),
    };
  }
  const length_m = characteristic_m(board);
  const filmAt = (isWork: boolean, face_K: number): FaceFilm => {
    const facing: Facing = isWork ? 'up' : 'down';
    return isWork === (preheat.fromWorkFace ?? false)
      ? {
          film_W_m2K: preheaterFilm_W_m2K(preheat.kind, preheat.setpoint_K, face_K, facing, length_m),
          air_K: preheat.setpoint_K,
          face_K,
        }
      : {
          film_W_m2K:
            naturalFilm_W_m2K(facing, face_K, ambient_K, length_m) +
            radiantFilm_W_m2K(SURFACE.maskEmissivity.value, face_K, ambient_K),
          air_K: ambient_K,
          face_K,
        };
  };
  const half_J_m2K = arealHeat_J_m2K(board) / 2;
  const through_W_m2K = LAMINATES[board.laminate].conductivityThrough.value / board.thickness_m;
  const step_s = preheat.soak_s / STEPS;
  let [work_K, far_K] = [ambient_K, ambient_K];
  for (let i = 0; i < STEPS && step_s > 0; i++) {
    const work = filmAt(true, work_K);
    const far = filmAt(false, far_K);
    const rate = half_J_m2K / step_s;
    // Two by two: (rate + films + through) on the diagonal, the laminate between them beside it.
    const a = rate + work.film_W_m2K + through_W_m2K;
    const b = rate + far.film_W_m2K + through_W_m2K;
    const p = rate * work_K + work.film_W_m2K * work.air_K;
    const q = rate * far_K + far.film_W_m2K * far.air_K;
    const det = a * b - through_W_m2K ** 2;
    [work_K, far_K] = [(p * b + q * through_W_m2K) / det, (q * a + p * through_W_m2K) / det];
  }
  return { board_K: (work_K + far_K) / 2, work: filmAt(true, work_K), far: filmAt(false, far_K) };
}

/** Temperature of the board when the tool touches down, K. */
export const boardTemperature_K = (board: Board, preheat: Preheat | null, ambient_K: number): number =>
  soaked(board, preheat, ambient_K).board_K;

/** Length that natural convection over a lying board goes by: its area over its perimeter, m. */
export const characteristic_m = ({ length_m, width_m }: Pick<Board, 'length_m' | 'width_m'>): number =>
  (length_m * width_m) / (2 * (length_m + width_m));
