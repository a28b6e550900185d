import type { JetOver } from '../surface/jetFilm';
import type { FieldMesh } from './mesh';

/** Columns this close in their distance from the axis are one ring: a fraction of any cell. */
const RINGS_PER_WIDTH = 32;
const LEAST_EXCESS_K = 1e-6;

/**
 * The air of a jet on its way over a face. It gives up what the face and the bodies on it take, ring after ring about
 * the axis, so that all of it together is never more than it brought.
 */
export class AirAlong {
  /** By column: film to a face at ambient, W/m²K, before shields and bodies are taken off. */
  readonly base_W_m2K: Float64Array;
  /** By column: how much of the nozzle's mouth it sees. */
  readonly mouth: Float64Array;
  private readonly dilution: Float64Array;
  /** Columns from the axis outward, and where each ring of them ends. */
  private readonly order: Int32Array;
  private readonly ringEnds: Int32Array;
  private readonly taken_W_K: Float64Array;
  private readonly against_W: Float64Array;
  private readonly left: Float64Array;

  constructor(
    mesh: FieldMesh,
    private readonly jet: JetOver,
    private readonly of: {
      readonly x_m: number;
      readonly y_m: number;
      /** Of the outlet over ambient. */
      readonly excess_K: number;
      /** On every film. */
      readonly scale: number;
    },
  ) {
    const { columns } = mesh;
    this.base_W_m2K = new Float64Array(columns);
    this.mouth = new Float64Array(columns);
    this.dilution = new Float64Array(columns);
    this.taken_W_K = new Float64Array(columns);
    this.against_W = new Float64Array(columns);
    this.left = new Float64Array(columns);
    const ring = new Int32Array(columns);
    for (let c = 0; c < columns; c++) {
      const place = jet.at(
        ((c % mesh.nx) + 0.5) * mesh.dx_m - of.x_m,
        (Math.floor(c / mesh.nx) + 0.5) * mesh.dy_m - of.y_m,
      );
      this.base_W_m2K[c] = place.film_W_m2K * of.scale;
      this.mouth[c] = place.mouth;
      this.dilution[c] = place.left;
      ring[c] = Math.round(place.distance * RINGS_PER_WIDTH);
    }
    // Sorted by counting: rings are many, and columns many more.
    const starts = new Int32Array(ring.reduce((most, at) => Math.max(most, at), 0) + 2);
    for (let c = 0; c < columns; c++) if (mesh.inside[c]) starts[ring[c]! + 1]!++;
    for (let i = 1; i < starts.length; i++) starts[i]! += starts[i - 1]!;
    this.ringEnds = starts.slice(1);
    this.order = new Int32Array(starts.at(-1)!);
    const next = Int32Array.from(starts);
    for (let c = 0; c < columns; c++) if (mesh.inside[c]) this.order[next[ring[c]!]!++] = c;
  }

  film_W_m2K(column: number, surface_K: number): number {
    return this.base_W_m2K[column]! * this.jet.warming(surface_K);
  }

  /** Forgets what it met. */
  begin(): void {
    this.taken_W_K.fill(0);
    this.against_W.fill(0);
  }

  /** Meets something in a column that would take so much for each kelvin, and stands so far over ambient. */
  meets(column: number, taken_W_K: number, over_K: number): void {
    this.taken_W_K[column]! += taken_W_K;
    this.against_W[column]! += taken_W_K * over_K;
  }

  /**
   * By column, the share of the outlet's excess that drives the film there: what mixing leaves of it, times what the
   * air has not given away before. A ring takes from the air as it leaves the ring, so nothing is given twice.
   */
  follow(): Float64Array {
    // Air at the room's own temperature brings nothing: a trace of excess keeps its share a number.
    const excess_K = this.of.excess_K || LEAST_EXCESS_K;
    const carried_W = this.jet.carried_W_K * excess_K;
    let kept = 1;
    let from = 0;
    for (const end of this.ringEnds) {
      let taken = 0;
      let back = 0;
      for (let i = from; i < end; i++) {
        const c = this.order[i]!;
        taken += this.taken_W_K[c]! * this.dilution[c]! * excess_K;
        back += this.against_W[c]!;
      }
      kept = (kept + back / carried_W) / (1 + taken / carried_W);
      for (let i = from; i < end; i++) {
        const c = this.order[i]!;
        this.left[c] = this.dilution[c]! * kept;
      }
      from = end;
    }
    return this.left;
  }
}
