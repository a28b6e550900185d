import type { ThermalNetwork } from './network';
import { Skyline } from './skyline';

/**
 * The matrix of one implicit stage, C/stage + K: conduction and losses by the melt of the last accepted
 * step, capacities by phase, a heater's gain where it is in its proportional band. Rows before
 * `firstVariable` change with the step's length only, so they are factored again only then.
 */
export class StageMatrix {
  /** First row that phases, melt or control can change. */
  readonly firstVariable: number;
  private readonly skyline: Skyline;
  private readonly diagonalAt: Int32Array;
  private readonly edgeAt: Int32Array;
  /** Melting node (by its place in the network's list) at each end of each link, or −1. */
  private readonly edgeMelt: Int32Array;
  private readonly meltingEdges: number[] = [];
  private readonly fixedValues: Float64Array;
  private readonly fixedConduction: Float64Array;
  /** Conduction and losses on the diagonal, W/K, without capacity and control. */
  private readonly conduction: Float64Array;
  private factoredStage_s = 0;
  private stale = true;

  constructor(private readonly network: ThermalNetwork) {
    const { size, edges, melting, heaters } = network;
    this.skyline = new Skyline(size, edges);
    this.diagonalAt = new Int32Array(size);
    for (let i = 0; i < size; i++) this.diagonalAt[i] = this.skyline.index(i, i);
    this.edgeAt = new Int32Array(edges.length);
    edges.forEach((edge, i) => (this.edgeAt[i] = this.skyline.index(edge.from, edge.to)));
    const meltOf = new Int32Array(size).fill(-1);
    melting.forEach((lump, index) => (meltOf[lump.node] = index));
    this.edgeMelt = new Int32Array(2 * edges.length);
    edges.forEach((edge, i) => {
      this.edgeMelt[2 * i] = meltOf[edge.from]!;
      this.edgeMelt[2 * i + 1] = meltOf[edge.to]!;
    });
    this.fixedValues = new Float64Array(this.skyline.values.length);
    this.fixedConduction = new Float64Array(size);
    this.conduction = new Float64Array(size);
    let firstVariable = size;
    for (const { node } of heaters) firstVariable = Math.min(firstVariable, node);
    for (const { node } of melting) firstVariable = Math.min(firstVariable, node);
    for (const edge of edges) {
      if (edge.solid_W_K !== edge.liquid_W_K) firstVariable = Math.min(firstVariable, edge.from, edge.to);
    }
    this.firstVariable = firstVariable;
    this.layFixedLinks();
  }

  /** Links that never change go in once. */
  private layFixedLinks(): void {
    const { edges, ambient } = this.network;
    edges.forEach((edge, i) => {
      if (edge.solid_W_K !== edge.liquid_W_K) this.meltingEdges.push(i);
      else this.addLink(this.fixedValues, this.fixedConduction, i, edge.solid_W_K);
    });
    for (const link of ambient) this.fixedConduction[link.node]! += link.conductance_W_K;
  }

  /** Conductances follow the melt, by share of each melting node; they are held within a step. */
  followMelt(share: Float64Array): void {
    this.skyline.values.set(this.fixedValues);
    this.conduction.set(this.fixedConduction);
    for (const i of this.meltingEdges) {
      const { solid_W_K, liquid_W_K } = this.network.edges[i]!;
      const g_W_K = solid_W_K + this.meltOfEdge(i, share) * (liquid_W_K - solid_W_K);
      this.addLink(this.skyline.values, this.conduction, i, g_W_K);
    }
    this.stale = true;
  }

  /** Tells that capacities or control have changed since the last factoring. */
  outdate(): void {
    this.stale = true;
  }

  /** Factors for a stage, as far as something changed since the last time. `gain_W_K` adds by heater. */
  prepare(stage_s: number, capacity_J_K: Float64Array, gain_W_K: (heater: number) => number): void {
    const stepChanged = stage_s !== this.factoredStage_s;
    if (!stepChanged && !this.stale) return;
    const { values } = this.skyline;
    const from = stepChanged ? 0 : this.firstVariable;
    const { diagonalAt, conduction } = this;
    const perStage_1_s = 1 / stage_s;
    for (let i = from; i < conduction.length; i++) {
      values[diagonalAt[i]!] = conduction[i]! + capacity_J_K[i]! * perStage_1_s;
    }
    const { heaters } = this.network;
    for (let i = 0; i < heaters.length; i++) {
      values[this.diagonalAt[heaters[i]!.node]!]! += gain_W_K(i);
    }
    this.skyline.factorise(from);
    this.factoredStage_s = stage_s;
    this.stale = false;
  }

  eliminateHead(x: Float64Array): void {
    this.skyline.eliminateHead(x, this.firstVariable);
  }

  solveTail(x: Float64Array): void {
    this.skyline.solveTail(x, this.firstVariable);
  }

  solveHead(x: Float64Array): void {
    this.skyline.solveHead(x, this.firstVariable);
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
