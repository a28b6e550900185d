import type { Elimination } from './elimination';
import { borrowedFactor, returnFactor, type Factor } from './factor';
import type { ThermalNetwork } from './network';
import type { Shape } from './shape';

/**
 * The matrix of one implicit stage, C/stage + K: conduction and losses by the melt of the last accepted
 * step, capacities by phase, a heater's gain where it is in its proportional band. Rows before
 * `firstVariable` change with the step's length only, so they are factored again only then.
 */
export class StageMatrix {
  /** First row that phases, melt or control can change. */
  readonly firstVariable: number;
  private readonly elimination: Elimination;
  private readonly values: Float64Array;
  /** One for each length of stage met: its head never changes, so a length met again costs its tail alone. */
  private readonly factors = new Map<number, Factor>();
  /** That of the stage prepared last. */
  private factor!: Factor;
  /** Place of each node's diagonal and of each edge among the matrix's values. */
  private readonly diagonalAt: Int32Array;
  private readonly edgeAt: Int32Array;
  private readonly edgeMelt: Int32Array;
  private readonly edgeWetting: Int32Array;
  private readonly variableEdges: readonly number[];
  private readonly fixedValues: Float64Array;
  private readonly fixedConduction: Float64Array;
  /** Conduction and losses on the diagonal, W/K, without capacity and control. */
  private readonly conduction: Float64Array;
  private factoredStage_s = 0;
  private stale = true;

  constructor(
    private readonly network: ThermalNetwork,
    { elimination, firstVariable, variableEdges, edgeMelt, edgeWetting }: Shape,
  ) {
    const { size } = network;
    this.firstVariable = firstVariable;
    this.edgeMelt = edgeMelt;
    this.edgeWetting = edgeWetting;
    this.variableEdges = variableEdges;
    this.elimination = elimination;
    this.values = new Float64Array(size + elimination.row.length);
    this.diagonalAt = elimination.pivot;
    this.edgeAt = elimination.edgeAt;
    this.fixedValues = new Float64Array(this.values.length);
    this.fixedConduction = new Float64Array(size);
    this.conduction = new Float64Array(size);
    this.layFixedLinks();
  }

  /** Links that never change go in once. */
  private layFixedLinks(): void {
    const { edges, ambient } = this.network;
    const variable = new Set(this.variableEdges);
    edges.forEach((edge, i) => {
      if (!variable.has(i)) this.addLink(this.fixedValues, this.fixedConduction, i, edge.solid_W_K);
    });
    for (const link of ambient) this.fixedConduction[link.node]! += link.conductance_W_K;
  }

  /** Conductances follow the melt, by share of each melting node, and what is wetted; they are held within a step. */
  follow(share: Float64Array, wetted: Float64Array): void {
    this.values.set(this.fixedValues);
    this.conduction.set(this.fixedConduction);
    for (const i of this.variableEdges) {
      const { solid_W_K, liquid_W_K } = this.network.edges[i]!;
      const whole_W_K = solid_W_K + this.meltOfEdge(i, share) * (liquid_W_K - solid_W_K);
      const wetting = this.edgeWetting[i]!;
      const g_W_K = wetting < 0 ? whole_W_K : whole_W_K * wetted[wetting]!;
      this.addLink(this.values, this.conduction, i, g_W_K);
    }
    this.stale = true;
  }

  /** Tells that capacities or control have changed since the last factoring. */
  outdate(): void {
    this.stale = true;
  }

  /** Factors for a stage, as far as something changed since the last time. `gain_W_K` adds by heater. */
  prepare(stage_s: number, capacity_J_K: Float64Array, gain_W_K: (heater: number) => number): void {
    if (stage_s === this.factoredStage_s && !this.stale) return;
    const known = this.factors.get(stage_s);
    const { values, diagonalAt, conduction } = this;
    const perStage_1_s = 1 / stage_s;
    for (let i = known ? this.firstVariable : 0; i < conduction.length; i++) {
      values[diagonalAt[i]!] = conduction[i]! + capacity_J_K[i]! * perStage_1_s;
    }
    const { heaters } = this.network;
    for (let i = 0; i < heaters.length; i++) {
      values[diagonalAt[heaters[i]!.node]!]! += gain_W_K(i);
    }
    if (known) {
      this.factor = known;
      known.factoriseTail();
    } else {
      this.factor = borrowedFactor(this.elimination, values);
      this.factors.set(stage_s, this.factor);
      this.factor.factorise();
    }
    this.factoredStage_s = stage_s;
    this.stale = false;
  }

  /** Gives its factors back for the next run; it prepares no stage after that. */
  release(): void {
    for (const factor of this.factors.values()) returnFactor(factor);
    this.factors.clear();
  }

  eliminateHead(x: Float64Array): void {
    this.factor.eliminateHead(x);
  }

  solveTail(x: Float64Array): void {
    this.factor.solveTail(x);
  }

  solveHead(x: Float64Array): void {
    this.factor.solveHead(x);
  }

  private addLink(values: Float64Array, conduction: Float64Array, edge: number, g_W_K: number): void {
    const { from, to } = this.network.edges[edge]!;
    values[this.edgeAt[edge]!]! -= g_W_K;
    conduction[from]! += g_W_K;
    conduction[to]! += g_W_K;
  }

  private meltOfEdge(index: number, share: Float64Array): number {
    const a = this.edgeMelt[2 * index]!;
    const b = this.edgeMelt[2 * index + 1]!;
    if (a < 0) return b < 0 ? 0 : share[b]!;
    return b < 0 ? share[a]! : (share[a]! + share[b]!) / 2;
  }
}
