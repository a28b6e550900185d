import type { JetOver } from '../surface/jetFilm';
import { tableRow, type JetOnFace } from './loops';
import type { FieldMesh } from './mesh';

/** Columns this close in their distance from the axis are one ring: a fraction of any cell. */
const RINGS_PER_WIDTH = 32;
const LEAST_EXCESS_K = 1e-6;

/** Where a jet's figures lie, laid anew for each. */
export type JetArrays = Omit<JetOnFace, 'nozzle_W_m2K'>;

/**
 * The air of a jet on its way over a face. It gives up what the face and the bodies on it take, ring after ring about
 * the axis, so that all of it together is never more than it brought.
 */
export class AirAlong {
  /** Columns from the axis outward, what mixing leaves of the air there, and where each ring of them ends. */
  private readonly order: Int32Array;
  private readonly dilution: Float64Array;
  private readonly ringEnds: Int32Array;
  private readonly left: Float64Array;

  constructor(
    mesh: FieldMesh,
    private readonly jet: JetOver,
    private readonly arrays: JetArrays,
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
    const { base_W_m2K, mouth } = arrays;
    const dilution = new Float64Array(columns);
    this.left = new Float64Array(columns);
    const ring = new Int32Array(columns);
    for (let c = 0; c < columns; c++) {
      const place = jet.at(
        mesh.x.middles_m[c % mesh.nx]! - of.x_m,
        mesh.y.middles_m[Math.floor(c / mesh.nx)]! - of.y_m,
      );
      base_W_m2K[c] = place.film_W_m2K * of.scale;
      mouth[c] = place.mouth;
      dilution[c] = place.left;
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
    this.dilution = new Float64Array(this.order.length);
    for (let i = 0; i < this.order.length; i++) this.dilution[i] = dilution[this.order[i]!]!;
  }

  /** By column: film to a face at ambient, W/m²K, before shields and bodies are taken off. */
  get base_W_m2K(): Float64Array {
    return this.arrays.base_W_m2K;
  }

  /** By column: how much of the nozzle's mouth it sees. */
  get mouth(): Float64Array {
    return this.arrays.mouth;
  }

  film_W_m2K(column: number, surface_K: number): number {
    return this.arrays.base_W_m2K[column]! * this.arrays.warming[tableRow(surface_K)]!;
  }

  /** Forgets what it met. */
  begin(): void {
    this.arrays.taken_W_K.fill(0);
    this.arrays.against_W.fill(0);
  }

  /** Meets something in a column that would take so much for each kelvin, and stands so far over ambient. */
  meets(column: number, taken_W_K: number, over_K: number): void {
    this.arrays.taken_W_K[column]! += taken_W_K;
    this.arrays.against_W[column]! += taken_W_K * over_K;
  }

  /**
   * By column, the share of the outlet's excess that drives the film there: what mixing leaves of it, times what the
   * air has not given away before. A ring takes from the air as it leaves the ring, so nothing is given twice.
   */
  follow(): Float64Array {
    // Air at the room's own temperature brings nothing: a trace of excess keeps its share a number.
    const excess_K = this.of.excess_K || LEAST_EXCESS_K;
    const carried_W = this.jet.carried_W_K * excess_K;
    const { taken_W_K, against_W } = this.arrays;
    const { order, dilution, left } = this;
    let kept = 1;
    let from = 0;
    for (const end of this.ringEnds) {
      let taken = 0;
      let back = 0;
      for (let i = from; i < end; i++) {
        const c = order[i]!;
        taken += taken_W_K[c]! * dilution[i]!;
        back += against_W[c]!;
      }
      kept = (kept + back / carried_W) / (1 + (taken * excess_K) / carried_W);
      for (let i = from; i < end; i++) left[order[i]!] = dilution[i]! * kept;
      from = end;
    }
    return this.left;
  }
}
