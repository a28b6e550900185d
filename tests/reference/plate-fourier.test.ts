import { describe, expect, it } from 'vitest';
import { arealHeat_J_m2K, spreading_W_K } from '~/core/thermal/stackup';
import { AMBIENT_K, boardOf, insulated } from '../support/field';

const STILL = { top_K: AMBIENT_K, bottom_K: AMBIENT_K };

/**
 * Carslaw & Jaeger, Conduction of Heat in Solids, ch. 5: a rectangle with insulated edges started in its
 * first cosine mode keeps the mode and decays as exp(−α π² (1/L² + 1/W²) t).
 */

// Faces hold half a layer of laminate, so half the copper gives every layer the same diffusivity.
const BOARD = boardOf([0.5, 0.9], [1, 0.9], [0.5, 0.9]);
const { length_m, width_m } = BOARD;
const ALPHA_m2_s = spreading_W_K(BOARD) / arealHeat_J_m2K(BOARD);
const RATE_1_s = ALPHA_m2_s * Math.PI ** 2 * (1 / length_m ** 2 + 1 / width_m ** 2);
const AMPLITUDE_K = 100;

/** Amplitude left of the mode after `time_s`, by its projection. */
function amplitudeAfter(time_s: number, pitch_m: number, step_s: number): number {
  const solver = insulated(BOARD, pitch_m, 3);
  const { mesh, temperature_K } = solver;
  const mode = (c: number): number =>
    Math.cos((Math.PI * ((c % mesh.nx) + 0.5)) / mesh.nx) *
    Math.cos((Math.PI * (Math.floor((c % mesh.columns) / mesh.nx) + 0.5)) / mesh.ny);
  for (let c = 0; c < temperature_K.length; c++) temperature_K[c] = AMBIENT_K + AMPLITUDE_K * mode(c);
  for (let n = 0; n < Math.round(time_s / step_s); n++) solver.step(step_s, STILL);
  let sum = 0;
  let norm = 0;
  for (let c = 0; c < mesh.columns; c++) {
    sum += (temperature_K[c]! - AMBIENT_K) * mode(c);
    norm += mode(c) ** 2;
  }
  return sum / norm;
}

describe('rectangular plate, first Fourier mode (Carslaw & Jaeger)', () => {
  const time_s = 0.6 / RATE_1_s;
  const exact_K = AMPLITUDE_K * Math.exp(-0.6);

  it('decays at the series’ rate', () => {
    expect(amplitudeAfter(time_s, 2e-3, time_s / 512)).toBeCloseTo(exact_K, 1);
  });

  it('halving the cells divides the error by four: order 2 in space', () => {
    // Steps so short that only the cells err; their order-one error is taken off by extrapolation.
    const error = (pitch_m: number): number => {
      const coarse = amplitudeAfter(time_s, pitch_m, time_s / 256);
      const fine = amplitudeAfter(time_s, pitch_m, time_s / 512);
      return Math.abs(2 * fine - coarse - exact_K);
    };
    const order = Math.log2(error(20e-3) / error(10e-3));
    expect(order).toBeGreaterThan(1.8);
    expect(order).toBeLessThan(2.2);
  });

  it('halving the step halves the error: order 1 in time', () => {
    const limit = amplitudeAfter(time_s, 5e-3, time_s / 2048);
    const error = (steps: number): number => Math.abs(amplitudeAfter(time_s, 5e-3, time_s / steps) - limit);
    const order = Math.log2(error(16) / error(32));
    expect(order).toBeGreaterThan(0.9);
    expect(order).toBeLessThan(1.2);
  });
});

describe('conservation on an insulated board', () => {
  it('keeps its heat to rounding whatever the step', () => {
    const solver = insulated(BOARD, 5e-3, 4);
    solver.temperature_K.forEach((_, c) => (solver.temperature_K[c] = AMBIENT_K + (c % 97)));
    const before_J = solver.stored_J();
    for (const step_s of [0.1, 1, 30]) solver.step(step_s, STILL);
    expect(Math.abs(solver.stored_J() / before_J - 1)).toBeLessThan(1e-12);
  });

  it('a board cut to an L conducts nothing across its notch', () => {
    const outline = [
      [0, 0],
      [0.16, 0],
      [0.16, 0.04],
      [0.04, 0.04],
      [0.04, 0.1],
      [0, 0.1],
    ] as const;
    const solver = insulated({ ...BOARD, outline }, 2e-3, 3);
    const { mesh, temperature_K } = solver;
    temperature_K[0] = AMBIENT_K + 1000;
    for (let n = 0; n < 50; n++) solver.step(1, STILL);
    const outside = Array.from(mesh.inside).flatMap((within, c) => (within ? [] : [temperature_K[c]!]));
    expect(outside.length).toBeGreaterThan(1000);
    expect(Math.max(...outside)).toBe(AMBIENT_K);
  });
});
