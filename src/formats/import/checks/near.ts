import type { Mark } from './evidence';

/** Marks to be asked whether one of them covers a place. */
export interface Near {
  readonly covers: (x_m: number, y_m: number, slack_m: number) => boolean;
}

/** Wide enough for a land and its slack to lie in nine cells. */
const CELL_m = 4e-3;

/** Marks in a grid of cells. */
export function nearOf(marks: readonly Mark[]): Near {
  const grid = new Map<string, Mark[]>();
  const key = (x: number, y: number): string => `${x} ${y}`;
  const cell = (value_m: number): number => Math.floor(value_m / CELL_m);
  for (const mark of marks) {
    const at = key(cell(mark.x_m), cell(mark.y_m));
    const here = grid.get(at);
    if (here) here.push(mark);
    else grid.set(at, [mark]);
  }
  return {
    covers: (x_m, y_m, slack_m) => {
      const [column, row] = [cell(x_m), cell(y_m)];
      for (let i = column - 1; i <= column + 1; i++) {
        for (let j = row - 1; j <= row + 1; j++) {
          for (const mark of grid.get(key(i, j)) ?? []) {
            if (
              Math.abs(mark.x_m - x_m) <= mark.halfWidth_m + slack_m &&
              Math.abs(mark.y_m - y_m) <= mark.halfHeight_m + slack_m
            )
              return true;
          }
        }
      }
      return false;
    },
  };
}
