import { describe, expect, it } from 'vitest';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { SURFACE } from '~/core/materials/surfaces';
import type { FieldBoard } from '~/core/thermal/field/mesh';
import { simulateField } from '~/core/thermal/field/run';
import type { Stage } from '~/core/thermal/field/scenario';
import { AMBIENT_K, boardOf, field, fromBelow, stage } from '../../support/field';
import { solveBoard, type BoardAsDrawn } from './boardSolver';

/** The board model against a solver of our own, over sources and cooling in still air: same materials, nothing else. */

const corner = (x_m: number, y_m: number): boolean => x_m < 0.1 || y_m < 0.05;
const ELL = [
  [0, 0],
  [0.16, 0],
  [0.16, 0.05],
  [0.1, 0.05],
  [0.1, 0.1],
  [0, 0.1],
] as const;

const CASES: readonly [string, FieldBoard, Stage[], ((x_m: number, y_m: number) => boolean)?][] = [
  [
    'four layers, warm air',
    boardOf([1, 0.35], [2, 0.9], [2, 0.9], [1, 0.35]),
    [stage(240, null, fromBelow(150))],
  ],
  ['two light layers, infrared', boardOf([1, 0.3], [1, 0.3]), [stage(240, null, fromBelow(250, 'infrared'))]],
  [
    'three layers, warm air and cooling',
    boardOf([1, 0.3], [1, 0.9], [1, 0.3]),
    [stage(180, null, fromBelow(180)), stage(120, null, null)],
  ],
  [
    'an L of four layers, infrared and cooling',
    { ...boardOf([1, 0.3], [1, 0.9], [1, 0.9], [1, 0.3]), outline: ELL },
    [stage(180, null, fromBelow(200, 'infrared')), stage(90, null, null)],
    corner,
  ],
];

function drawn(board: FieldBoard, stages: readonly Stage[], inside: BoardAsDrawn['inside']): BoardAsDrawn {
  const laminate = LAMINATES[board.laminate];
  return {
    length_m: board.length_m,
    width_m: board.width_m,
    thickness_m: board.thickness_m,
    inside,
    laminate: {
      inPlane_W_mK: laminate.conductivityInPlane.value,
      through_W_mK: laminate.conductivityThrough.value,
      heat_J_m3K: laminate.volumetricHeat.value,
    },
    copper: board.copper.map(({ thickness_m, coverage }) => ({
      foil_m: thickness_m,
      area: coverage,
      conducts: coverage > 0.8 ? coverage / (2 - coverage) : coverage / 4,
    })),
    copper_W_mK: COPPER.conductivity.value,
    copper_J_m3K: COPPER.volumetricHeat.value,
    ambient_K: AMBIENT_K,
    stages: stages.map(({ duration_s, preheat }) => ({
      duration_s,
      source: preheat && {
        kind: preheat.kind === 'infrared' ? ('infrared' as const) : ('air' as const),
        set_K: preheat.setpoint_K,
        film_W_m2K: SURFACE.warmAirFilm.value,
      },
    })),
  };
}

describe('the board model against an independent solver in three dimensions', () => {
  for (const [name, board, stages, inside = () => true] of CASES) {
    it(`${name}: both faces within 2 % of the peak rise at the end of each stage, their means within 1.5 %`, () => {
      const pitch_m = 4e-3;
      const wanted = solveBoard(drawn(board, stages, inside), pitch_m);
      const peak_K = Math.max(...wanted.bottom_K) - AMBIENT_K;
      stages.forEach((_, end) => {
        const run = simulateField(field(board, [], stages.slice(0, end + 1)), { pitch_m, frames: 2 });
        const last = run.frames.at(-1)!;
        for (const side of ['top', 'bottom'] as const) {
          const face = side === 'top' ? last.top_K : last.bottom_K;
          let worst = 0;
          let sum = 0;
          let count = 0;
          wanted.faces[end]![side].forEach((t, c) => {
            if (!run.picture!.inside[c]) return;
            worst = Math.max(worst, Math.abs(face[c]! - t));
            sum += face[c]! - t;
            count++;
          });
          expect(worst / peak_K, side).toBeLessThan(0.02);
          expect(Math.abs(sum / count) / peak_K, side).toBeLessThan(0.015);
        }
      });
    });
  }
});
