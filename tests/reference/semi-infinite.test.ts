import erfc from '@stdlib/math-base-special-erfc';
import { describe, expect, it } from 'vitest';
import { LAMINATES } from '~/core/materials/laminates';
import { attach } from '~/core/thermal/field/attachments';
import { Films } from '~/core/thermal/field/films';
import { fieldMesh } from '~/core/thermal/field/mesh';
import { NOMINAL_FIELD } from '~/core/thermal/field/scenario';
import { FieldSolver } from '~/core/thermal/field/solver';
import { AMBIENT_K, boardOf } from '../support/field';

/**
 * Semi-infinite solid, film at its surface (Carslaw & Jaeger §2.7; Incropera eq. 5.63):
 * θ = erfc(ξ) − exp(h x/k + h² α t/k²) erfc(ξ + h √(α t)/k), ξ = x / 2√(α t).
 */
function withFilm(x_m: number, t_s: number, film: number, k: number, alpha: number): number {
  const xi = x_m / (2 * Math.sqrt(alpha * t_s));
  const eta = (film * Math.sqrt(alpha * t_s)) / k;
  return erfc(xi) - Math.exp((film * x_m) / k + eta ** 2) * erfc(xi + eta);
}

const { conductivityThrough, volumetricHeat } = LAMINATES['fr4-standard'];
const K = conductivityThrough.value;
const ALPHA_m2_s = K / volumetricHeat.value;
const HOT_K = AMBIENT_K + 300;

/** Surface and inside of a thick laminate block under a film on its top face. */
function block(film_W_m2K: number, time_s: number, layers: number, step_s: number): FieldSolver {
  const board = { ...boardOf([1, 0]), length_m: 0.01, width_m: 0.01, thickness_m: 6e-3 };
  const mesh = fieldMesh(board, 5e-3, layers);
  const factors = { ...NOMINAL_FIELD, stillAir: 0 };
  const films = new Films(mesh, [], [], [], AMBIENT_K, factors);
  films.faces.top.hot_W_K.set(mesh.area_m2.map((area_m2) => film_W_m2K * area_m2));
  films.faces.top.warmth.fill(1);
  const solver = new FieldSolver(mesh, attach(board, mesh, [], factors), films, AMBIENT_K);
  for (let n = 0; n < Math.round(time_s / step_s); n++)
    solver.step(step_s, { top_K: HOT_K, bottom_K: AMBIENT_K });
  return solver;
}

describe('semi-infinite solid under a film (Carslaw & Jaeger; Incropera 5.63)', () => {
  it.each([
    [200, 5],
    [200, 15],
    [1000, 10],
  ])('film %d W/m²K after %d s: face and 1 mm below it within 1.5 K of 300', (film, time_s) => {
    const solver = block(film, time_s, 61, 0.02);
    const rise = (layer: number): number =>
      (solver.temperature_K[layer * solver.mesh.columns]! - AMBIENT_K) / (HOT_K - AMBIENT_K);
    expect(Math.abs(rise(0) - withFilm(0, time_s, film, K, ALPHA_m2_s))).toBeLessThan(0.005);
    expect(Math.abs(rise(10) - withFilm(1e-3, time_s, film, K, ALPHA_m2_s))).toBeLessThan(0.005);
  });

  it('a film without limit is a step of the surface: θ = erfc(x / 2√(α t))', () => {
    const solver = block(1e7, 10, 61, 0.02);
    const rise = (solver.temperature_K[10 * solver.mesh.columns]! - AMBIENT_K) / (HOT_K - AMBIENT_K);
    expect(Math.abs(rise - erfc(1e-3 / (2 * Math.sqrt(ALPHA_m2_s * 10))))).toBeLessThan(0.005);
  });

  it('erfc itself: erfc(0) = 1, erfc(0.5) = 0.4795, erfc(1) = 0.1573 (Incropera table B.2)', () => {
    expect(erfc(0)).toBeCloseTo(1, 8);
    expect(erfc(0.5)).toBeCloseTo(0.4795, 4);
    expect(erfc(1)).toBeCloseTo(0.1573, 4);
  });
});
