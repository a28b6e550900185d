import { halvesOf_m } from '../surface/jet';
import { gradedAxis, type Axes, type Stretch } from './axis';
import { evenAxes } from './mesh';
import type { FieldScenario } from './scenario';
import { FIELD } from './settings';

/**
 * How a board is cut for a run: finest under every jet and some way about it, where heat falls off within a millimetre, and
 * wider outward, where nothing does. Without a jet no place is another than its neighbour, and cells are even.
 */
export function cutFor(
  { board, stages }: Pick<FieldScenario, 'board' | 'stages'>,
  finest_m: number = FIELD.finest_m,
): Axes {
  const jets = stages.flatMap(({ air }) => (air ? [air] : []));
  if (jets.length === 0) return evenAxes(board, Math.max(finest_m, FIELD.calm_m));
  const stretch = (middle_m: number, half_m: number): Stretch => ({
    from_m: middle_m - half_m - FIELD.fineAbout_m,
    to_m: middle_m + half_m + FIELD.fineAbout_m,
  });
  const grading = { finest_m, widening: FIELD.widening, coarsest_m: Math.max(finest_m, FIELD.coarsest_m) };
  const halves = jets.map(({ jet }) => halvesOf_m(jet.nozzle));
  return {
    x: gradedAxis(
      board.length_m,
      jets.map(({ x_m }, i) => stretch(x_m, halves[i]![0])),
      grading,
    ),
    y: gradedAxis(
      board.width_m,
      jets.map(({ y_m }, i) => stretch(y_m, halves[i]![1])),
      grading,
    ),
  };
}
