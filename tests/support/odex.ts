import { createRequire } from 'node:module';

/** What we use of ODEX. The package ships unchecked sources, so its types are stated here. */
interface OdexSolver {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(
    derivative: (x: number, y: number[]) => number[],
    start: number,
    initial: number[],
    end: number,
  ): { y: number[]; outcome: number };
}

const odex = createRequire(import.meta.url)('odex') as { Solver: new (size: number) => OdexSolver };

export const { Solver } = odex;
