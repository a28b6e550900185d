import type { Attachments } from './attachments';
import type { FieldBodies } from './bodies';
import type { FieldMesh } from './mesh';
import { ragged, type Ragged } from './ragged';
import type { SolderState } from './solderState';

/** Phases are guessed, solved and corrected so often at most. */
const PASSES = 12;

/**
 * The columns of the mesh that have solder on them. Layers and spots of one are solved together, exactly: spots meet the layers
 * and not each other, so each is eliminated into the layers, these are solved, and the spots follow from them. A column's
 * factor stays good until the step, a film or a phase changes.
 */
export class SolderColumns {
  private readonly columns: Int32Array;
  private readonly spots: Ragged;
  /** Of each spot to its layers, as many to a spot; to its body; to all of them. */
  private readonly links_W_K: Float64Array;
  private readonly lead_W_K: Float64Array;
  private readonly all_W_K: Float64Array;
  private readonly column: Int32Array;
  /** Lower triangles of the columns' factors, one over each spot's pivot, and whether they are good. */
  private readonly factors: Float64Array;
  private readonly pivots: Float64Array;
  private readonly good: Uint8Array;
  private readonly rhs: Float64Array;
  private readonly change_K: Float64Array;
  private readonly loads_W: Float64Array;
  private readonly heat_J: Float64Array;

  constructor(
    private readonly mesh: FieldMesh,
    { spots }: Attachments,
    private readonly solder: SolderState,
    private readonly bodies: FieldBodies,
  ) {
    const { nz } = mesh;
    const byColumn = new Map<number, number[]>();
    spots.forEach(({ column }, s) => {
      const mine = byColumn.get(column);
      if (mine) mine.push(s);
      else byColumn.set(column, [s]);
    });
    this.columns = Int32Array.from(byColumn.keys());
    this.spots = ragged([...byColumn.values()]);
    this.links_W_K = new Float64Array(nz * spots.length);
    this.lead_W_K = new Float64Array(spots.length);
    this.all_W_K = new Float64Array(spots.length);
    this.column = new Int32Array(spots.length);
    spots.forEach(({ link_W_K, lead_W_K, column }, s) => {
      this.links_W_K.set(link_W_K, nz * s);
      this.lead_W_K[s] = lead_W_K;
      this.all_W_K[s] = link_W_K.reduce((sum, g) => sum + g, lead_W_K);
      this.column[s] = column;
    });
    this.factors = new Float64Array(this.columns.length * nz * nz);
    this.pivots = new Float64Array(spots.length);
    this.good = new Uint8Array(this.columns.length);
    this.rhs = new Float64Array(this.columns.length * nz);
    this.change_K = new Float64Array(nz);
    this.loads_W = new Float64Array(spots.length);
    this.heat_J = new Float64Array(spots.length);
  }

  /** A step of another length, or other films: factors have to be made anew. */
  changed(): void {
    this.good.fill(0);
  }

  /** What flows from spots into cells over a step, J, into the residuals. */
  addTo(r: Float64Array, t: Float64Array, step_s: number): void {
    const { links_W_K, column, solder } = this;
    const { nz, columns } = this.mesh;
    for (let s = 0, at = 0; s < column.length; s++) {
      const now_K = solder.temperature_K[s]!;
      for (let k = 0, c = column[s]!; k < nz; k++, at++, c += columns) {
        r[c] = r[c]! + step_s * links_W_K[at]! * (now_K - t[c]!);
      }
    }
  }

  /** Puts the right-hand sides of these columns aside, before all columns are solved as if they had no solder. */
  keep(w: Float64Array): void {
    const { rhs } = this;
    const { capacity_J_K, columns, nz } = this.mesh;
    for (let i = 0, at = 0; i < this.columns.length; i++) {
      for (let k = 0, c = this.columns[i]!; k < nz; k++, at++, c += columns)
        rhs[at] = capacity_J_K[c]! * w[c]!;
    }
  }

  /** Solves these columns with their solder into `w`; `diagonal` is what stands on a cell's diagonal but for it, J/K. */
  solve(
    w: Float64Array,
    t: Float64Array,
    step_s: number,
    diagonal: (cell: number, layer: number, column: number) => number,
  ): void {
    const { solder, spots, loads_W } = this;
    for (let i = 0; i < this.columns.length; i++) {
      const [from, to] = [spots.start[i]!, spots.start[i + 1]!];
      for (let n = from; n < to; n++) {
        const s = spots.of[n]!;
        solder.before_K[s] = solder.temperature_K[s]!;
        loads_W[s] = this.load_W(s, t);
      }
      for (let pass = 0; pass < PASSES; pass++) {
        if (this.good[i] === 0) this.factor(i, step_s, diagonal);
        if (this.settle(i, step_s)) break;
        // Some spot is in another phase than it was solved with.
        this.good[i] = 0;
      }
      const { nz, columns } = this.mesh;
      for (let k = 0, c = this.columns[i]!; k < nz; k++, c += columns) w[c] = this.change_K[k]!;
      for (let n = from; n < to; n++) solder.enthalpy_J[spots.of[n]!] = this.heat_J[spots.of[n]!]!;
    }
  }

  private factor(
    i: number,
    step_s: number,
    diagonal: (cell: number, layer: number, column: number) => number,
  ): void {
    const { mesh, factors, spots, links_W_K, pivots } = this;
    const { nz, columns, linkZ_W_K } = mesh;
    const first = i * nz * nz;
    const column = this.columns[i]!;
    for (let k = 0, c = column; k < nz; k++, c += columns) {
      const row = first + k * nz;
      for (let l = 0; l < k; l++) factors[row + l] = l === k - 1 ? -step_s * linkZ_W_K[c - columns]! : 0;
      factors[row + k] = diagonal(c, k, column);
    }
    for (let n = spots.start[i]!; n < spots.start[i + 1]!; n++) {
      const s = spots.of[n]!;
      const inverse =
        1 / (this.solder.slope(s) + step_s * this.all_W_K[s]! + step_s * this.bodies.filmOfSpot_W_K(s));
      pivots[s] = inverse;
      for (let k = 0; k < nz; k++) {
        const g = step_s * links_W_K[s * nz + k]!;
        if (g === 0) continue;
        const row = first + k * nz;
        factors[row + k] = factors[row + k]! + g;
        const passed = g * step_s * inverse;
        for (let l = 0; l <= k; l++) factors[row + l] = factors[row + l]! - passed * links_W_K[s * nz + l]!;
      }
    }
    factorDense(factors, first, nz);
    this.good[i] = 1;
  }

  /** Solves a column with its factor; false where a spot's phase turns out to be another. */
  private settle(i: number, step_s: number): boolean {
    const { solder, spots, links_W_K, pivots, loads_W, heat_J, change_K, rhs } = this;
    const { nz } = this.mesh;
    const [from, to] = [spots.start[i]!, spots.start[i + 1]!];
    for (let k = 0; k < nz; k++) change_K[k] = rhs[i * nz + k]!;
    for (let n = from; n < to; n++) {
      const s = spots.of[n]!;
      const load =
        (step_s * loads_W[s]! - (solder.heatAt(s, solder.before_K[s]!) - solder.enthalpy_J[s]!)) * pivots[s]!;
      heat_J[s] = load;
      for (let k = 0; k < nz; k++) change_K[k] = change_K[k]! + step_s * links_W_K[s * nz + k]! * load;
    }
    substituteDense(this.factors, i * nz * nz, change_K, nz);
    let settled = true;
    for (let n = from; n < to; n++) {
      const s = spots.of[n]!;
      let moved_K = heat_J[s]!;
      const into_K = step_s * pivots[s]!;
      for (let k = 0; k < nz; k++) moved_K += into_K * links_W_K[s * nz + k]! * change_K[k]!;
      const now_K = solder.before_K[s]! + moved_K;
      solder.temperature_K[s] = now_K;
      // On the line that was solved with: a phase corrected after the last pass then costs no heat.
      heat_J[s] = solder.heatAt(s, now_K);
      if (solder.correct(s, now_K)) settled = false;
    }
    return settled;
  }

  /** What flows into a spot at the temperatures of the step's start, W. */
  private load_W(s: number, t: Float64Array): number {
    const { links_W_K, solder } = this;
    const { nz, columns } = this.mesh;
    const at_K = solder.before_K[s]!;
    let flow_W = this.bodies.intoSpot_W(s, this.lead_W_K[s]!, at_K);
    for (let k = 0, c = this.column[s]!; k < nz; k++, c += columns)
      flow_W += links_W_K[s * nz + k]! * (t[c]! - at_K);
    return flow_W;
  }
}

/**
 * Factors a small symmetric positive definite matrix in place: its lower triangle, m × m, from `first` on. On its diagonal
 * stand the inverses of the pivots.
 */
function factorDense(a: Float64Array, first: number, m: number): void {
  for (let j = 0; j < m; j++) {
    const inverse = 1 / a[first + j * m + j]!;
    a[first + j * m + j] = inverse;
    for (let i = j + 1; i < m; i++) {
      const factor = a[first + i * m + j]! * inverse;
      if (factor === 0) continue;
      for (let k = j + 1; k <= i; k++)
        a[first + i * m + k] = a[first + i * m + k]! - factor * a[first + k * m + j]!;
    }
  }
}

/** Solves with such a factor; `b` is overwritten. */
function substituteDense(a: Float64Array, first: number, b: Float64Array, m: number): void {
  for (let j = 0; j < m; j++) {
    const through = b[j]! * a[first + j * m + j]!;
    for (let i = j + 1; i < m; i++) b[i] = b[i]! - a[first + i * m + j]! * through;
  }
  for (let i = m - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let k = i + 1; k < m; k++) sum -= a[first + k * m + i]! * b[k]!;
    b[i] = sum * a[first + i * m + i]!;
  }
}
