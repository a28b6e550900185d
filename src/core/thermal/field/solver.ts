import type { Attachments } from './attachments';
import { FieldBodies, type Sources } from './bodies';
import { SolderColumns } from './columns';
import { SolderState } from './solderState';
import type { Films } from './films';
import type { FaceSource } from './loops';
import type { FieldMesh } from './mesh';

/** Energy since the start, J. */
export interface FieldEnergy {
  in_J: number;
  lost_J: number;
}

/**
 * Time stepping of the board: first order in time, unconditionally stable, in delta form with the
 * operator factored by direction, (C + dt Kx) C⁻¹ (C + dt Ky) C⁻¹ (C + dt Kz) ΔT = dt (q − K T)
 * (approximate factorisation: Douglas & Gunn, Numerische Mathematik 6, 1964; Beam & Warming 1976). In delta form a steady
 * state does not depend on the step. The through-thickness factor comes last and holds films, solder
 * and leads, so heat is conserved to rounding. All buffers are made once; a step allocates next to nothing.
 */
export class FieldSolver {
  readonly temperature_K: Float64Array;
  readonly solder: SolderState;
  readonly bodies: FieldBodies;
  readonly energy: FieldEnergy = { in_J: 0, lost_J: 0 };
  /** Views of the two faces. */
  readonly top_K: Float64Array;
  readonly bottom_K: Float64Array;
  private readonly columns: SolderColumns;
  private readonly change_K: Float64Array;
  private readonly topChange_K: Float64Array;
  private readonly bottomChange_K: Float64Array;
  /** One over each pivot, and what a neighbour's value is carried with, by direction. */
  private readonly inverseX: Float64Array;
  private readonly inverseY: Float64Array;
  private readonly inverseZ: Float64Array;
  private readonly carryX: Float64Array;
  private readonly carryY: Float64Array;
  private readonly carryZ: Float64Array;
  private readonly bodyLink_W_K: Float64Array;
  private lastStep_s = 0;
  /** How far any cell can have moved since the start: the largest change of each step, summed, K. */
  travelled_K = 0;
  private lastMove_K = 0;
  private factored_s = 0;
  private filmsMoved = true;

  constructor(
    readonly mesh: FieldMesh,
    readonly attached: Attachments,
    private readonly films: Films,
    private readonly ambient_K: number,
    melts = true,
  ) {
    const { columns, nz } = mesh;
    const cells = columns * nz;
    const array = (): Float64Array => mesh.memory.array(cells);
    this.temperature_K = array().fill(ambient_K);
    this.top_K = this.temperature_K.subarray(0, columns);
    this.bottom_K = this.temperature_K.subarray((nz - 1) * columns);
    this.change_K = array();
    this.topChange_K = this.change_K.subarray(0, columns);
    this.bottomChange_K = this.change_K.subarray((nz - 1) * columns);
    this.inverseX = array();
    this.inverseY = array();
    this.inverseZ = array();
    this.carryX = array();
    this.carryY = array();
    this.carryZ = array();
    this.bodyLink_W_K = array();
    this.solder = new SolderState(attached.spots, ambient_K, melts);
    this.bodies = new FieldBodies(mesh, attached, this.solder, films, ambient_K);
    this.bodies.layGaps(this.bodyLink_W_K);
    this.columns = new SolderColumns(mesh, attached, this.solder, this.bodies);
  }

  /** Tells that films have been laid or followed anew. */
  filmsChanged(): void {
    this.filmsMoved = true;
  }

  /**
   * Takes one step under sources at their temperatures by face; returns the second difference of the cell that
   * changed its pace most, K.
   */
  step(step_s: number, sources: Sources): number {
    this.factor(step_s);
    const pace = this.lastStep_s > 0 ? step_s / this.lastStep_s : 0;
    const { mesh, temperature_K: t, change_K: w } = this;
    const { loops } = mesh.memory;
    this.bodies.predict(t, w, step_s, pace, sources);
    this.layResidual(step_s, sources);
    loops.sweepAlong(w, this.inverseX, this.carryX, mesh.nx);
    loops.sweepAcross(w, mesh.capacity_J_K, this.inverseY, this.carryY, mesh.nx);
    this.columns.keep(w);
    loops.sweepAcross(w, mesh.capacity_J_K, this.inverseZ, this.carryZ, mesh.columns);
    this.columns.solve(w, t, step_s, (cell, layer, column) => this.diagonal(cell, layer, column, step_s));
    const before_K = this.lastMove_K;
    this.accept(step_s, sources);
    this.lastStep_s = step_s;
    return Math.abs(this.lastMove_K - pace * before_K);
  }

  /** Heat held above the start, J. */
  stored_J(): number {
    const { mesh, temperature_K, ambient_K, solder, attached } = this;
    let sum = this.bodies.stored_J();
    for (let c = 0; c < temperature_K.length; c++) {
      sum += mesh.capacity_J_K[c]! * (temperature_K[c]! - ambient_K);
    }
    for (let s = 0; s < solder.enthalpy_J.length; s++) {
      const curve = attached.spots[s]!.curve;
      sum += solder.enthalpy_J[s]! - (curve.offset[0] + curve.slope[0] * ambient_K);
    }
    return sum;
  }

  /** Factors what has changed: everything with the step's length, through the thickness with the films too. */
  private factor(step_s: number): void {
    const { mesh, bodyLink_W_K } = this;
    const { capacity_J_K, linkX_W_K, linkY_W_K, linkZ_W_K, nx, memory } = mesh;
    const { loops } = memory;
    if (step_s !== this.factored_s) {
      loops.factorInPlane({ inverse: this.inverseX, carry: this.carryX }, capacity_J_K, linkX_W_K, 1, step_s);
      loops.factorInPlane(
        { inverse: this.inverseY, carry: this.carryY },
        capacity_J_K,
        linkY_W_K,
        nx,
        step_s,
      );
    } else if (!this.filmsMoved) return;
    const { top, bottom } = this.films.faces;
    const of = { capacity_J_K, linkZ_W_K, bodyLink_W_K, top, bottom };
    loops.factorThrough({ inverse: this.inverseZ, carry: this.carryZ }, of, mesh, step_s);
    this.columns.changed();
    this.factored_s = step_s;
    this.filmsMoved = false;
  }

  /** What films, a body's gap and capacity put on the diagonal of a cell, J/K. */
  private diagonal(c: number, k: number, column: number, step_s: number): number {
    const { mesh, films } = this;
    const { linkZ_W_K, columns, nz } = mesh;
    let sum = this.bodyLink_W_K[c]!;
    if (k > 0) sum += linkZ_W_K[c - columns]!;
    if (k < nz - 1) sum += linkZ_W_K[c]!;
    if (k === 0) sum += films.faces.top.hot_W_K[column]! + films.faces.top.still_W_K[column]!;
    if (k === nz - 1) sum += films.faces.bottom.hot_W_K[column]! + films.faces.bottom.still_W_K[column]!;
    return mesh.capacity_J_K[c]! + step_s * sum;
  }

  /** Puts dt (q − K T) into `change_K`. */
  private layResidual(step_s: number, { top_K, bottom_K }: Sources): void {
    const { mesh, temperature_K: t, change_K: r, films } = this;
    const { loops } = mesh.memory;
    loops.residual(t, r, mesh, mesh, step_s);
    loops.face(this.top_K, this.topChange_K, films.faces.top, step_s, this.sourceAt(top_K));
    loops.face(this.bottom_K, this.bottomChange_K, films.faces.bottom, step_s, this.sourceAt(bottom_K));
    this.bodies.addTo(r, t, step_s);
    this.columns.addTo(r, t, step_s);
  }

  private readonly sourceAt = (hot_K: number): FaceSource => ({
    excess_K: hot_K - this.ambient_K,
    ambient_K: this.ambient_K,
  });

  private accept(step_s: number, { top_K, bottom_K }: Sources): void {
    const { mesh, temperature_K: t, films, energy } = this;
    const { loops } = mesh.memory;
    this.lastMove_K = loops.accept(t, this.change_K);
    this.travelled_K += this.lastMove_K;
    const above = loops.flows(this.top_K, films.faces.top, this.sourceAt(top_K));
    const below = loops.flows(this.bottom_K, films.faces.bottom, this.sourceAt(bottom_K));
    const bodies = this.bodies.accept(t, step_s);
    energy.in_J += step_s * (above.in_W + below.in_W + bodies.in_W);
    energy.lost_J += step_s * (above.lost_W + below.lost_W + bodies.lost_W);
  }
}
