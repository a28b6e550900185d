import { LIQUID, MUSHY, SOLID, meltAt } from '../network/enthalpy';
import type { Spot } from './attachments';

/** Enthalpy, temperature and phase of every solder spot. */
export class SolderState {
  readonly enthalpy_J: Float64Array;
  readonly temperature_K: Float64Array;
  readonly before_K: Float64Array;
  readonly melt: Uint8Array;
  /** Three to a spot, by phase: its enthalpy is a straight line on each. */
  private readonly slopes: Float64Array;
  private readonly offsets: Float64Array;
  private readonly solidus_K: Float64Array;
  private readonly liquidus_K: Float64Array;

  constructor(
    spots: readonly Spot[],
    start_K: number,
    private readonly melts: boolean,
  ) {
    this.temperature_K = new Float64Array(spots.length).fill(start_K);
    this.before_K = Float64Array.from(this.temperature_K);
    this.melt = Uint8Array.from(spots, (spot) => (melts ? meltAt(spot.curve, start_K) : 0));
    this.slopes = new Float64Array(3 * spots.length);
    this.offsets = new Float64Array(3 * spots.length);
    spots.forEach(({ curve }, s) => {
      this.slopes.set(curve.slope, 3 * s);
      this.offsets.set(curve.offset, 3 * s);
    });
    this.solidus_K = Float64Array.from(spots, ({ curve }) => curve.solidus_K);
    this.liquidus_K = Float64Array.from(spots, ({ curve }) => curve.liquidus_K);
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
    const was = this.melt[s]!;
    const phase =
      temperature_K <= this.solidus_K[s]! ? SOLID : temperature_K < this.liquidus_K[s]! ? MUSHY : LIQUID;
    if (phase === was) return false;
    this.melt[s] = Math.abs(phase - was) === 2 ? MUSHY : phase;
    return true;
  }
}
