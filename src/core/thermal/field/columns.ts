import { MUSHY, meltAt } from '../network/enthalpy';
import type { Spot } from './attachments';

/** One column with solder on it: its layers and its spots are solved together, exactly. */
export interface SolderColumn {
  readonly column: number;
  readonly spots: readonly number[];
}

/** Enthalpy, temperature and phase of every solder spot. */
export class SolderState {
  readonly enthalpy_J: Float64Array;
  readonly temperature_K: Float64Array;
  readonly before_K: Float64Array;
  readonly melt: Uint8Array;
  /** Three to a spot, by phase: its enthalpy is a straight line on each. */
  private readonly slopes: Float64Array;
  private readonly offsets: Float64Array;

  constructor(
    readonly spots: readonly Spot[],
    start_K: number,
    private readonly melts: boolean,
  ) {
    this.temperature_K = new Float64Array(spots.length).fill(start_K);
    this.before_K = Float64Array.from(this.temperature_K);
    this.melt = Uint8Array.from(spots, (spot) => (melts ? meltAt(spot.curve, start_K) : 0));
    this.slopes = Float64Array.from(spots.flatMap(({ curve }) => curve.slope));
    this.offsets = Float64Array.from(spots.flatMap(({ curve }) => curve.offset));
    this.enthalpy_J = Float64Array.from(spots, (_, s) => this.heatAt(s, start_K));
  }

  slope(s: number): number {
    return this.slopes[3 * s + this.melt[s]!]!;
  }

  /** Enthalpy on the present phase's line. */
  heatAt(s: number, temperature_K: number): number {
    const at = 3 * s + this.melt[s]!;
    return this.offsets[at]! + this.slopes[at]! * temperature_K;
  }

  /** Moves the phase to a temperature; true if it changed. Never over the melting range in one go. */
  correct(s: number, temperature_K: number): boolean {
    if (!this.melts) return false;
    const phase = meltAt(this.spots[s]!.curve, temperature_K);
    if (phase === this.melt[s]) return false;
    this.melt[s] = Math.abs(phase - this.melt[s]!) === 2 ? MUSHY : phase;
    return true;
  }
}

/** Solves a small symmetric positive definite system in place: lower triangle in `a` (m × m), `b` overwritten. */
export function solveDense(a: Float64Array, b: Float64Array, m: number): void {
  for (let j = 0; j < m; j++) {
    const inverse = 1 / a[j * m + j]!;
    for (let i = j + 1; i < m; i++) {
      const factor = a[i * m + j]! * inverse;
      if (factor === 0) continue;
      for (let k = j + 1; k <= i; k++) a[i * m + k]! -= factor * a[k * m + j]!;
      b[i]! -= factor * b[j]!;
    }
  }
  for (let i = m - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let k = i + 1; k < m; k++) sum -= a[k * m + i]! * b[k]!;
    b[i] = sum / a[i * m + i]!;
  }
}
