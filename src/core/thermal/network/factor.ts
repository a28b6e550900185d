import type { Elimination } from './elimination';

/**
 * LDLᵀ of a symmetric positive definite matrix of a known elimination, column by column. The head's
 * columns and what they take from the tail are kept, so when only tail entries change, only the tail is
 * factored again.
 * Source: George & Liu, "Computer Solution of Large Sparse Positive Definite Systems", 1981, ch. 5.
 */
export class Factor {
  /** The places of `values`, factored. */
  private readonly factor: Float64Array;
  /** What eliminating the head added to each place of the tail. */
  private readonly fromHead: Float64Array;
  private readonly inverse: Float64Array;
  /** What eliminating the head added to each tail node of the right-hand side. */
  private readonly loadFromHead: Float64Array;
  /** First entry of the tail's columns among all places. */
  private readonly tailEntries: number;

  /** `values`: the matrix's diagonals by pivot, then the elimination's entries; read at each factoring. */
  constructor(
    readonly elimination: Elimination,
    public values: Float64Array,
  ) {
    const { size, split, row, columnAt } = elimination;
    this.factor = new Float64Array(size + row.length);
    this.fromHead = new Float64Array(size + row.length);
    this.inverse = new Float64Array(size);
    this.loadFromHead = new Float64Array(size);
    this.tailEntries = size + columnAt[split]!;
  }

  /** Factors everything. */
  factorise(): void {
    const { values, factor, fromHead, tailEntries } = this;
    const { size, split } = this.elimination;
    for (let i = 0; i < split; i++) factor[i] = values[i]!;
    for (let i = split; i < size; i++) factor[i] = 0;
    for (let i = size; i < tailEntries; i++) factor[i] = values[i]!;
    for (let i = tailEntries; i < factor.length; i++) factor[i] = 0;
    this.eliminateColumns(0, split);
    for (let i = split; i < size; i++) fromHead[i] = factor[i]!;
    for (let i = tailEntries; i < factor.length; i++) fromHead[i] = factor[i]!;
    this.factoriseTail();
  }

  /** Factors the tail alone; nothing in the head's columns may have changed since `factorise`. */
  factoriseTail(): void {
    const { values, factor, fromHead, tailEntries } = this;
    const { size, split } = this.elimination;
    for (let i = split; i < size; i++) factor[i] = values[i]! + fromHead[i]!;
    for (let i = tailEntries; i < factor.length; i++) factor[i] = values[i]! + fromHead[i]!;
    this.eliminateColumns(split, size);
  }

  private eliminateColumns(from: number, to: number): void {
    const { factor, inverse } = this;
    const { size, columnAt, updateAt, update } = this.elimination;
    for (let p = from; p < to; p++) {
      const inverted = 1 / factor[p]!;
      inverse[p] = inverted;
      const start = size + columnAt[p]!;
      let u = updateAt[p]!;
      for (let a = size + columnAt[p + 1]! - 1; a >= start; a--) {
        const scaled = factor[a]! * inverted;
        for (let b = start; b <= a; b++, u++) {
          const place = update[u]!;
          factor[place] = factor[place]! - scaled * factor[b]!;
        }
        factor[a] = scaled;
      }
    }
  }

  /*
   * Solving in three parts, so that the head is eliminated once, the tail solved as often as a guess in
   * it is corrected, and the head solved last. Vectors are by node.
   */

  /** Forward elimination of the head's nodes of `x`; what the tail's hold is lost. */
  eliminateHead(x: Float64Array): void {
    const { loadFromHead } = this;
    const { size, split } = this.elimination;
    for (let i = split; i < size; i++) x[i] = 0;
    this.substituteForth(x, 0, split);
    for (let i = split; i < size; i++) loadFromHead[i] = x[i]!;
  }

  /** Solves the tail's nodes of `x`, given an eliminated head, which it leaves as it is. */
  solveTail(x: Float64Array): void {
    const { loadFromHead } = this;
    const { size, split } = this.elimination;
    for (let i = split; i < size; i++) x[i] = x[i]! + loadFromHead[i]!;
    this.substituteForth(x, split, size);
    this.substituteBack(x, split, size);
  }

  /** Solves the head's nodes of `x`, given an eliminated head and a solved tail. */
  solveHead(x: Float64Array): void {
    this.substituteBack(x, 0, this.elimination.split);
  }

  private substituteForth(x: Float64Array, from: number, to: number): void {
    const { factor } = this;
    const { size, node, columnAt, rowNode } = this.elimination;
    for (let p = from; p < to; p++) {
      const value = x[node[p]!]!;
      const end = columnAt[p + 1]!;
      for (let a = columnAt[p]!; a < end; a++) {
        const row = rowNode[a]!;
        x[row] = x[row]! - factor[size + a]! * value;
      }
    }
  }

  private substituteBack(x: Float64Array, from: number, to: number): void {
    const { factor, inverse } = this;
    const { size, node, columnAt, rowNode } = this.elimination;
    for (let p = to - 1; p >= from; p--) {
      let value = x[node[p]!]! * inverse[p]!;
      const end = columnAt[p + 1]!;
      for (let a = columnAt[p]!; a < end; a++) value -= factor[size + a]! * x[rowNode[a]!]!;
      x[node[p]!] = value;
    }
  }
}

/** Factors that no run uses now, by elimination: a run takes a dozen, and their buffers cost more than their sums. */
const idle = new WeakMap<Elimination, Factor[]>();

/** A factor of an elimination over values, not factored yet. */
export function borrowedFactor(elimination: Elimination, values: Float64Array): Factor {
  const factor = idle.get(elimination)?.pop();
  if (!factor) return new Factor(elimination, values);
  factor.values = values;
  return factor;
}

export function returnFactor(factor: Factor): void {
  const list = idle.get(factor.elimination) ?? [];
  list.push(factor);
  idle.set(factor.elimination, list);
}
