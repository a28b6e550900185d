import { describe, expect, it } from 'vitest';
import { PREHEATER_IDS, type PreheaterId } from '~/core/materials/air';
import { LAMINATE_IDS, LAMINATES } from '~/core/materials/laminates';
import { foilThickness_m, kelvin } from '~/core/quantity/convert';
import { simulateField } from '~/core/thermal/field/run';
import type { FieldBoard } from '~/core/thermal/field/mesh';
import { boardTemperature_K, soaked } from '~/core/thermal/preheat';
import { emitterFilm_W_m2K } from '~/core/thermal/surface/preheater';
import { uniformStream } from '~/core/statistics/random';
import { STEFAN_BOLTZMANN_W_m2K4 } from '~/core/thermal/surface/stillAir';

import { AMBIENT_K, field, fromBelow, stage } from '../support/field';

/** One preheat and one still air: a board reaches the same temperature whichever scale is asked. */

const random = uniformStream(17);
const between = (low: number, high: number): number => low + (high - low) * random();
const oneOf = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

const board = (): FieldBoard => ({
  length_m: between(0.04, 0.3),
  width_m: between(0.03, 0.25),
  thickness_m: between(0.8e-3, 3.2e-3),
  laminate: oneOf(LAMINATE_IDS),
  copper: Array.from({ length: oneOf([1, 2, 4, 6]) }, () => ({
    thickness_m: foilThickness_m(oneOf([0.5, 1, 2])),
    coverage: between(0.1, 0.95),
  })),
});

interface Asked {
  readonly board: FieldBoard;
  readonly kind: PreheaterId;
  readonly setpoint_C: number;
  readonly soak_s: number;
}

const asked: Asked[] = Array.from({ length: 200 }, () => ({
  board: board(),
  kind: oneOf(PREHEATER_IDS),
  setpoint_C: between(80, 320),
  soak_s: between(30, 600),
}));

/** Mean of both faces at the end, K. The board is uniform: coarse cells change nothing. */
function atBoardScale_K({ board: of, kind, setpoint_C, soak_s }: Asked): number {
  const run = simulateField(field(of, [], [stage(soak_s, null, fromBelow(setpoint_C, kind))]), {
    pitch_m: 0.03,
    frames: 2,
  });
  const last = run.frames.at(-1)!;
  const mean = (face: Float32Array): number => face.reduce((a, b) => a + b, 0) / face.length;
  return (mean(last.top_K) + mean(last.bottom_K)) / 2;
}

describe('a board over a preheater, at both scales', () => {
  it('comes to the same temperature within 3 K in 200 requests, the middle one within half a kelvin', () => {
    const apart_K = asked.map((one) => {
      const { board: of, kind, setpoint_C, soak_s } = one;
      const joint_K = boardTemperature_K(of, { kind, setpoint_K: kelvin(setpoint_C), soak_s }, AMBIENT_K);
      return Math.abs(joint_K - atBoardScale_K(one));
    });
    expect(Math.max(...apart_K)).toBeLessThan(3);
    expect([...apart_K].sort((a, b) => a - b)[100]!).toBeLessThan(0.5);
  });

  it('an infrared source passes no more than between black bodies', () => {
    for (let set_C = 60; set_C <= 350; set_C += 10) {
      for (let face_C = 20; face_C <= 250; face_C += 10) {
        const [set_K, face_K] = [kelvin(set_C), kelvin(face_C)];
        const black = STEFAN_BOLTZMANN_W_m2K4 * (set_K ** 2 + face_K ** 2) * (set_K + face_K);
        expect(emitterFilm_W_m2K(set_K, face_K)).toBeLessThanOrEqual(black);
      }
    }
    // Incropera eq. 1.9 at 430 K: 4σT³ is 18.0 W/m²K, which the film linearised there once passed.
    expect(4 * STEFAN_BOLTZMANN_W_m2K4 * 430 ** 3).toBeCloseTo(18.0, 1);
    expect(emitterFilm_W_m2K(430, 430)).toBeLessThan(18.0);
  });

  it('no board passes its source, and the face before it meets no room air', () => {
    for (const { board: of, kind, setpoint_C, soak_s } of asked.slice(0, 50)) {
      const preheat = { kind, setpoint_K: kelvin(setpoint_C), soak_s };
      const { board_K, work, far } = soaked(of, preheat, AMBIENT_K);
      expect(board_K).toBeLessThan(kelvin(setpoint_C));
      expect(far.air_K).toBe(kelvin(setpoint_C));
      expect(work.air_K).toBe(AMBIENT_K);
      const above = soaked(of, { ...preheat, fromWorkFace: true }, AMBIENT_K);
      expect(above.work.air_K).toBe(kelvin(setpoint_C));
      expect(above.far.air_K).toBe(AMBIENT_K);
    }
  });

  it('settles where what the source gives, what the laminate passes and what the room takes are one', () => {
    for (const { board: of, kind, setpoint_C } of asked.slice(0, 20)) {
      const preheat = { kind, setpoint_K: kelvin(setpoint_C), soak_s: 2e4 };
      const { work, far } = soaked(of, preheat, AMBIENT_K);
      const in_W_m2 = far.film_W_m2K * (far.air_K - far.face_K);
      const out_W_m2 = work.film_W_m2K * (work.face_K - work.air_K);
      const through_W_m2 =
        (LAMINATES[of.laminate].conductivityThrough.value / of.thickness_m) * (far.face_K - work.face_K);
      expect(in_W_m2 / out_W_m2).toBeCloseTo(1, 2);
      expect(through_W_m2 / out_W_m2).toBeCloseTo(1, 2);
    }
  });
});
