import { SolderState, solveDense, type SolderColumn } from './columns';
import { SKIN_SHARE } from '~/core/packages/form';
import type { Attachments } from './attachments';
import type { BodyFilm, Films } from './films';
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
 * and leads, so heat is conserved to rounding. Bodies are tied in by a prediction of their temperature;
 * what their links then carry is what they store.
 * All buffers are made once; a step allocates nothing.
 */
export class FieldSolver {
  readonly temperature_K: Float64Array;
  readonly solder: SolderState;
  /** Skins of the bodies: what meets the air, and what ratings are held against. */
  readonly bodies_K: Float64Array;
  /** Their insides, which leads and the gap beneath tie to the board. */
  readonly cores_K: Float64Array;
  readonly energy: FieldEnergy = { in_J: 0, lost_J: 0 };
  /** Views of the two faces. */
  readonly top_K: Float64Array;
  readonly bottom_K: Float64Array;
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
  /** Cores and skins at the end of the step. */
  private readonly predicted_K: Float64Array;
  private readonly predictedSkin_K: Float64Array;
  private readonly solderColumns: readonly SolderColumn[];
  private readonly bodyOfSpot: Int32Array;
  private readonly dense: Float64Array;
  private readonly rhs: Float64Array;
  private readonly heat_J: Float64Array;
  private readonly pivots: Float64Array;
  private readonly loads: Float64Array;
  /** Of each spot to its layers, as many to a spot; to its body; to all of them. */
  private readonly spotLinks_W_K: Float64Array;
  private readonly spotLead_W_K: Float64Array;
  private readonly spotConductance_W_K: Float64Array;
  private readonly spotColumn: Int32Array;
  private readonly spotShare: Float64Array;
  private readonly columnRhs: Float64Array;
  private lastStep_s = 0;
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
    this.temperature_K = mesh.memory.array(cells).fill(ambient_K);
    this.top_K = this.temperature_K.subarray(0, columns);
    this.bottom_K = this.temperature_K.subarray((nz - 1) * columns);
    this.change_K = mesh.memory.array(cells);
    this.topChange_K = this.change_K.subarray(0, columns);
    this.bottomChange_K = this.change_K.subarray((nz - 1) * columns);
    this.inverseX = mesh.memory.array(cells);
    this.inverseY = mesh.memory.array(cells);
    this.inverseZ = mesh.memory.array(cells);
    this.carryX = mesh.memory.array(cells);
    this.carryY = mesh.memory.array(cells);
    this.carryZ = mesh.memory.array(cells);
    this.bodyLink_W_K = mesh.memory.array(cells);
    this.solder = new SolderState(attached.spots, ambient_K, melts);
    this.bodies_K = new Float64Array(attached.bodies.length).fill(ambient_K);
    this.cores_K = new Float64Array(attached.bodies.length).fill(ambient_K);
    this.predicted_K = new Float64Array(attached.bodies.length);
    this.predictedSkin_K = new Float64Array(attached.bodies.length);
    this.bodyOfSpot = new Int32Array(attached.spots.length);
    attached.bodies.forEach((body, b) => {
      for (const spot of body.spots) this.bodyOfSpot[spot] = b;
      for (const { column, share } of body.under)
        this.bodyLink_W_K[body.faceLayer * columns + column]! += body.gap_W_K * share;
    });
    const byColumn = new Map<number, number[]>();
    attached.spots.forEach((spot, s) => {
      byColumn.set(spot.column, [...(byColumn.get(spot.column) ?? []), s]);
    });
    this.solderColumns = [...byColumn].map(([column, spots]) => ({ column, spots }));
    const most = Math.max(0, ...this.solderColumns.map((c) => c.spots.length));
    this.spotLinks_W_K = Float64Array.from(attached.spots.flatMap(({ link_W_K }) => Array.from(link_W_K)));
    this.spotLead_W_K = Float64Array.from(attached.spots, ({ lead_W_K }) => lead_W_K);
    this.spotColumn = Int32Array.from(attached.spots, ({ column }) => column);
    this.spotShare = Float64Array.from(attached.spots, ({ bodyShare }) => bodyShare);
    this.spotConductance_W_K = Float64Array.from(attached.spots, ({ link_W_K, lead_W_K }) =>
      link_W_K.reduce((sum, g) => sum + g, lead_W_K),
    );
    this.dense = new Float64Array(nz * nz);
    this.rhs = new Float64Array(nz);
    this.pivots = new Float64Array(most);
    this.loads = new Float64Array(most);
    this.columnRhs = new Float64Array(this.solderColumns.length * nz);
    this.heat_J = new Float64Array(most);
  }

  /** Tells that films have been laid or followed anew. */
  filmsChanged(): void {
    this.filmsMoved = true;
  }

  /**
   * Takes one step under sources at `hot_K` by face; returns the second difference of the cell that
   * changed its pace most, K.
   */
  step(step_s: number, hotTop_K: number, hotBottom_K: number): number {
    if (step_s !== this.factored_s) this.factorInPlane(step_s);
    if (step_s !== this.factored_s || this.filmsMoved) this.factorThrough(step_s);
    this.factored_s = step_s;
    this.filmsMoved = false;
    this.predictBodies(step_s, hotTop_K, hotBottom_K);
    this.layResidual(step_s, hotTop_K, hotBottom_K);
    this.solveX();
    this.solveY();
    this.solveZ();
    for (let i = 0; i < this.solderColumns.length; i++) this.solveColumn(i, step_s, hotTop_K, hotBottom_K);
    const pace = this.lastStep_s > 0 ? step_s / this.lastStep_s : 0;
    const before_K = this.lastMove_K;
    this.accept(step_s, hotTop_K, hotBottom_K);
    this.lastStep_s = step_s;
    return Math.abs(this.lastMove_K - pace * before_K);
  }

  /** Heat held above the start, J. */
  stored_J(): number {
    const { mesh, temperature_K, ambient_K, solder, attached } = this;
    let sum = 0;
    for (let c = 0; c < temperature_K.length; c++) {
      sum += mesh.capacity_J_K[c]! * (temperature_K[c]! - ambient_K);
    }
    for (let s = 0; s < solder.enthalpy_J.length; s++) {
      const curve = attached.spots[s]!.curve;
      sum += solder.enthalpy_J[s]! - (curve.offset[0] + curve.slope[0] * ambient_K);
    }
    attached.bodies.forEach((body, b) => {
      if (body.fused) return;
      const mean_K = SKIN_SHARE * this.bodies_K[b]! + (1 - SKIN_SHARE) * this.cores_K[b]!;
      sum += body.capacity_J_K * (mean_K - ambient_K);
    });
    return sum;
  }

  private factorInPlane(step_s: number): void {
    const { mesh, inverseX, inverseY, carryX, carryY } = this;
    const { capacity_J_K, linkX_W_K, linkY_W_K, nx } = mesh;
    const cells = capacity_J_K.length;
    for (let c = 0; c < cells; c++) {
      const link = step_s * linkX_W_K[c]!;
      const back = c > 0 ? step_s * linkX_W_K[c - 1]! : 0;
      const carried = c > 0 ? carryX[c - 1]! : 0;
      inverseX[c] = 1 / (capacity_J_K[c]! + link + back - back * carried);
      carryX[c] = link * inverseX[c]!;
    }
    // A layer's last row has no link onward, so layers follow each other without a break.
    for (let c = 0; c < cells; c++) {
      const link = step_s * linkY_W_K[c]!;
      const back = c >= nx ? step_s * linkY_W_K[c - nx]! : 0;
      const carried = c >= nx ? carryY[c - nx]! : 0;
      inverseY[c] = 1 / (capacity_J_K[c]! + link + back - back * carried);
      carryY[c] = link * inverseY[c]!;
    }
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

  private factorThrough(step_s: number): void {
    const { mesh, inverseZ, carryZ, bodyLink_W_K } = this;
    const { top, bottom } = this.films.faces;
    const { capacity_J_K, linkZ_W_K } = mesh;
    const of = { capacity_J_K, linkZ_W_K, bodyLink_W_K, top, bottom };
    mesh.memory.loops.factorThrough({ inverse: inverseZ, carry: carryZ }, of, mesh, step_s);
  }

  /** Each body's skin and core at the end of the step if its surroundings keep their pace, solved together. */
  private predictBodies(step_s: number, hotTop_K: number, hotBottom_K: number): void {
    const { attached, mesh, temperature_K, change_K, solder, films, ambient_K } = this;
    const pace = this.lastStep_s > 0 ? step_s / this.lastStep_s : 0;
    attached.bodies.forEach((body, b) => {
      const film = films.bodies[b]!;
      const hot_K = body.faceLayer === 0 ? hotTop_K : hotBottom_K;
      const blown_W = film.hot_W_K * this.airAt(hot_K, film.warmth) + film.still_W_K * ambient_K;
      let conductance = body.gap_W_K;
      let flow_W = 0;
      for (const s of body.spots) {
        const g = this.spotLead_W_K[s]!;
        const now_K = solder.temperature_K[s]!;
        conductance += g;
        flow_W += g * (now_K + pace * (now_K - solder.before_K[s]!));
      }
      for (const { column, share } of body.under) {
        const c = body.faceLayer * mesh.columns + column;
        flow_W += body.gap_W_K * share * (temperature_K[c]! + pace * change_K[c]!);
      }
      const skin_J_K = SKIN_SHARE * body.capacity_J_K;
      const core_J_K = body.capacity_J_K - skin_J_K;
      const inner = step_s * body.inner_W_K;
      const skin = skin_J_K + step_s * (film.hot_W_K + film.still_W_K) + inner;
      const core = core_J_K + step_s * conductance + inner;
      const intoSkin_J = skin_J_K * this.bodies_K[b]! + step_s * blown_W;
      const intoCore_J = core_J_K * this.cores_K[b]! + step_s * flow_W;
      const determinant = skin * core - inner * inner;
      this.predictedSkin_K[b] = (intoSkin_J * core + inner * intoCore_J) / determinant;
      this.predicted_K[b] = (intoCore_J * skin + inner * intoSkin_J) / determinant;
    });
  }

  /** What a body's film brings it, less what it takes, W. */
  private filmFlow_W(film: BodyFilm, hot_K: number, body_K: number): number {
    return (
      film.hot_W_K * (this.airAt(hot_K, film.warmth) - body_K) - film.still_W_K * (body_K - this.ambient_K)
    );
  }

  private airAt(hot_K: number, warmth: number): number {
    return this.ambient_K + warmth * (hot_K - this.ambient_K);
  }

  /** Puts dt (q − K T) into `change_K`. */
  private layResidual(step_s: number, hotTop_K: number, hotBottom_K: number): void {
    const { mesh, temperature_K: t, change_K: r, films, attached, solder } = this;
    const { columns, nz } = mesh;
    const { loops } = mesh.memory;
    loops.residual(t, r, mesh, mesh, step_s);
    loops.face(this.top_K, this.topChange_K, films.faces.top, step_s, this.sourceAt(hotTop_K));
    loops.face(this.bottom_K, this.bottomChange_K, films.faces.bottom, step_s, this.sourceAt(hotBottom_K));
    for (let b = 0; b < attached.bodies.length; b++) {
      const body = attached.bodies[b]!;
      for (const { column, share } of body.under) {
        const c = body.faceLayer * columns + column;
        r[c]! += step_s * body.gap_W_K * share * (this.predicted_K[b]! - t[c]!);
      }
    }
    const { spotLinks_W_K, spotColumn } = this;
    for (let s = 0, at = 0; s < spotColumn.length; s++) {
      const now_K = solder.temperature_K[s]!;
      for (let k = 0, c = spotColumn[s]!; k < nz; k++, at++, c += columns) {
        r[c] = r[c]! + step_s * spotLinks_W_K[at]! * (now_K - t[c]!);
      }
    }
  }

  private readonly sourceAt = (hot_K: number): FaceSource => ({
    excess_K: hot_K - this.ambient_K,
    ambient_K: this.ambient_K,
  });

  private solveX(): void {
    this.mesh.memory.loops.sweepAlong(this.change_K, this.inverseX, this.carryX, this.mesh.nx);
  }

  private solveY(): void {
    const { memory, capacity_J_K, nx } = this.mesh;
    memory.loops.sweepAcross(this.change_K, capacity_J_K, this.inverseY, this.carryY, nx);
  }

  /** Every column as if it had no solder; the right-hand sides of those that do are put aside first. */
  private solveZ(): void {
    const { change_K: w, inverseZ, carryZ, solderColumns, columnRhs } = this;
    const { capacity_J_K, columns, nz } = this.mesh;
    for (let i = 0; i < solderColumns.length; i++) {
      for (let k = 0; k < nz; k++) {
        const c = k * columns + solderColumns[i]!.column;
        columnRhs[i * nz + k] = capacity_J_K[c]! * w[c]!;
      }
    }
    this.mesh.memory.loops.sweepAcross(w, capacity_J_K, inverseZ, carryZ, columns);
  }

  /**
   * Layers and solder of one column together; phases are guessed, solved and corrected until they hold. Spots meet the
   * layers and not each other, so each is eliminated into the layers, these are solved, and the spots follow from them.
   */
  private solveColumn(index: number, step_s: number, hotTop_K: number, hotBottom_K: number): void {
    const { column, spots } = this.solderColumns[index]!;
    const { mesh, change_K, dense, rhs, heat_J, pivots, loads, solder } = this;
    const { nz, columns, linkZ_W_K } = mesh;
    for (let i = 0; i < spots.length; i++) {
      const s = spots[i]!;
      solder.before_K[s] = solder.temperature_K[s]!;
      loads[i] = this.loadOf(s, column, hotTop_K, hotBottom_K);
    }
    const { spotLinks_W_K } = this;
    for (let pass = 0; pass < 12; pass++) {
      for (let k = 0, c = column; k < nz; k++, c += columns) {
        for (let l = 0; l < k; l++) dense[k * nz + l] = l === k - 1 ? -step_s * linkZ_W_K[c - columns]! : 0;
        dense[k * nz + k] = this.diagonal(c, k, column, step_s);
        rhs[k] = this.columnRhs[index * nz + k]!;
      }
      for (let i = 0; i < spots.length; i++) {
        const s = spots[i]!;
        const inverse =
          1 / (solder.slope(s) + step_s * this.spotConductance_W_K[s]! + step_s * this.filmOfSpot(s));
        const load =
          (step_s * loads[i]! - (solder.heatAt(s, solder.before_K[s]!) - solder.enthalpy_J[s]!)) * inverse;
        pivots[i] = inverse;
        heat_J[i] = load;
        for (let k = 0; k < nz; k++) {
          const g = step_s * spotLinks_W_K[s * nz + k]!;
          if (g === 0) continue;
          rhs[k] = rhs[k]! + g * load;
          dense[k * nz + k] = dense[k * nz + k]! + g;
          const passed = g * step_s * inverse;
          for (let l = 0; l <= k; l++)
            dense[k * nz + l] = dense[k * nz + l]! - passed * spotLinks_W_K[s * nz + l]!;
        }
      }
      solveDense(dense, rhs, nz);
      let settled = true;
      for (let i = 0; i < spots.length; i++) {
        const s = spots[i]!;
        let moved_K = heat_J[i]!;
        const into_K = step_s * pivots[i]!;
        for (let k = 0; k < nz; k++) moved_K += into_K * spotLinks_W_K[s * nz + k]! * rhs[k]!;
        solder.temperature_K[s] = solder.before_K[s]! + moved_K;
        // On the line that was solved with: a phase corrected after the last pass then costs no heat.
        heat_J[i] = solder.heatAt(s, solder.temperature_K[s]);
        if (solder.correct(s, solder.temperature_K[s])) settled = false;
      }
      if (settled) break;
    }
    for (let k = 0; k < nz; k++) change_K[k * columns + column] = rhs[k]!;
    for (let i = 0; i < spots.length; i++) solder.enthalpy_J[spots[i]!] = heat_J[i]!;
  }

  /** Share of its body's films that a spot of a fused body takes, W/K. */
  private filmOfSpot(s: number): number {
    const bodyShare = this.spotShare[s]!;
    if (bodyShare === 0) return 0;
    const film = this.films.bodies[this.bodyOfSpot[s]!]!;
    return bodyShare * (film.hot_W_K + film.still_W_K);
  }

  /** What flows into a spot at the temperatures of the step's start, W. */
  private loadOf(s: number, column: number, hotTop_K: number, hotBottom_K: number): number {
    const { attached, solder, mesh, spotLinks_W_K, temperature_K } = this;
    const { nz, columns } = mesh;
    const b = this.bodyOfSpot[s]!;
    const at_K = solder.before_K[s]!;
    const bodyShare = this.spotShare[s]!;
    let flow_W = this.spotLead_W_K[s]! * (this.predicted_K[b]! - at_K);
    if (bodyShare > 0) {
      const hot_K = attached.bodies[b]!.faceLayer === 0 ? hotTop_K : hotBottom_K;
      flow_W += bodyShare * this.filmFlow_W(this.films.bodies[b]!, hot_K, at_K);
    }
    for (let k = 0, c = column; k < nz; k++, c += columns)
      flow_W += spotLinks_W_K[s * nz + k]! * (temperature_K[c]! - at_K);
    return flow_W;
  }

  private accept(step_s: number, hotTop_K: number, hotBottom_K: number): void {
    const { mesh, temperature_K: t, change_K: w, films, attached, solder, ambient_K, energy } = this;
    const { columns } = mesh;
    const { loops } = mesh.memory;
    const largest = loops.accept(t, w);
    const above = loops.flows(this.top_K, films.faces.top, this.sourceAt(hotTop_K));
    const below = loops.flows(this.bottom_K, films.faces.bottom, this.sourceAt(hotBottom_K));
    let in_W = above.in_W + below.in_W;
    let lost_W = above.lost_W + below.lost_W;
    for (let b = 0; b < attached.bodies.length; b++) {
      const body = attached.bodies[b]!;
      const film = films.bodies[b]!;
      const hot_K = body.faceLayer === 0 ? hotTop_K : hotBottom_K;
      if (body.fused) this.bodies_K[b] = this.cores_K[b] = this.fusedMean_K(body.spots);
      const skin_K = body.fused ? this.bodies_K[b]! : this.predictedSkin_K[b]!;
      const cooled_W = film.still_W_K * (skin_K - ambient_K);
      const blown_W = this.filmFlow_W(film, hot_K, skin_K);
      in_W += blown_W + cooled_W;
      lost_W += cooled_W;
      if (body.fused) continue;
      const held_K = this.predicted_K[b]!;
      const inward_W = body.inner_W_K * (skin_K - held_K);
      let flow_W = inward_W;
      for (const s of body.spots) flow_W += this.spotLead_W_K[s]! * (solder.temperature_K[s]! - held_K);
      for (const { column, share } of body.under) {
        flow_W += body.gap_W_K * share * (t[body.faceLayer * columns + column]! - held_K);
      }
      const skin_J_K = SKIN_SHARE * body.capacity_J_K;
      this.bodies_K[b]! += (step_s * (blown_W - inward_W)) / skin_J_K;
      this.cores_K[b]! += (step_s * flow_W) / (body.capacity_J_K - skin_J_K);
    }
    energy.in_J += step_s * in_W;
    energy.lost_J += step_s * lost_W;
    this.lastMove_K = largest;
  }

  /** A fused body is at the mean of its spots, each by its share. */
  private fusedMean_K(spots: readonly number[]): number {
    let mean_K = 0;
    for (const s of spots) mean_K += this.spotShare[s]! * this.solder.temperature_K[s]!;
    return mean_K;
  }
}
