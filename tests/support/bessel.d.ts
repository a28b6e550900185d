declare module 'bessel' {
  export function besselk(x: number, order: number): number;
}
declare module 'odex' {
  export class Solver {
    constructor(size: number);
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
}
