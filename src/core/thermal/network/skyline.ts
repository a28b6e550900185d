/**
 * LDLᵀ of a symmetric positive definite matrix stored by rows from their first non-zero column
 * (an envelope, which elimination never leaves). A row of the factor depends only on the rows before
 * it, so when only late rows change, only late rows are factored again.
 * Source: Jennings, "A compact storage scheme for the solution of symmetric linear simultaneous
 * equations", Computer Journal 9 (1966).
 */
export class Skyline {
  /** Where row i's first stored entry lies in `values`; the diagonal is the row's last. */
  private readonly rowAt: Int32Array;
  private readonly first: Int32Array;
  private readonly factor: Float64Array;
  /** One over each pivot: a division costs several multiplications, and each is used many times. */
  private readonly inverse: Float64Array;
  readonly values: Float64Array;

  constructor(
    readonly size: number,
    pairs: Iterable<{ readonly from: number; readonly to: number }>,
  ) {
    this.first = new Int32Array(size);
    for (let row = 0; row < size; row++) this.first[row] = row;
    for (const { from, to } of pairs) {
      const row = Math.max(from, to);
      this.first[row] = Math.min(this.first[row]!, from, to);
    }
    this.rowAt = new Int32Array(size + 1);
    for (let row = 0; row < size; row++) {
      this.rowAt[row + 1] = this.rowAt[row]! + row - this.first[row]! + 1;
    }
    this.values = new Float64Array(this.rowAt[size]!);
    this.factor = new Float64Array(this.rowAt[size]!);
    this.inverse = new Float64Array(size);
  }

  /** Place of entry (a, b) in `values`; both halves of the symmetric pair share it. */
  index(a: number, b: number): number {
    const row = Math.max(a, b);
    return this.rowAt[row]! + Math.min(a, b) - this.first[row]!;
  }

  /** Factors rows `from` to the last; earlier rows must not have changed since the last call. */
  factorise(from = 0): void {
    const { rowAt, first, values, factor, inverse } = this;
    for (let i = from; i < this.size; i++) {
      const start = first[i]!;
      const row = rowAt[i]! - start;
      let diagonal = values[row + i]!;
      for (let j = start; j < i; j++) {
        const startJ = first[j]!;
        const rowJ = rowAt[j]! - startJ;
        let sum = values[row + j]!;
        for (let k = start > startJ ? start : startJ; k < j; k++) {
          sum -= factor[row + k]! * factor[rowJ + k]!;
        }
        factor[row + j] = sum;
      }
      for (let j = start; j < i; j++) {
        const unscaled = factor[row + j]!;
        const scaled = unscaled * inverse[j]!;
        factor[row + j] = scaled;
        diagonal -= unscaled * scaled;
      }
      inverse[i] = 1 / diagonal;
    }
  }

  /** Overwrites `x`, holding the right-hand side, with the solution. */
  solve(x: Float64Array): void {
    this.eliminateHead(x, 0);
    this.solveTail(x, 0);
    this.solveHead(x, 0);
  }

  /*
   * The same in three parts, for a solver that asks several times with only rows from `from` on
   * changed: the head is eliminated once, the tail solved as often as it takes, the head solved last.
   */

  /** Forward elimination of the rows before `from`. */
  eliminateHead(x: Float64Array, from: number): void {
    this.eliminate(x, 0, from);
  }

  /** Solves rows `from` to the last, given an eliminated head; leaves the head as it is. */
  solveTail(x: Float64Array, from: number): void {
    const { rowAt, first, factor, inverse, size } = this;
    this.eliminate(x, from, size);
    for (let i = from; i < size; i++) x[i] = x[i]! * inverse[i]!;
    for (let i = size - 1; i > from; i--) {
      const row = rowAt[i]! - first[i]!;
      const value = x[i]!;
      for (let j = Math.max(first[i]!, from); j < i; j++) x[j] = x[j]! - factor[row + j]! * value;
    }
  }

  /** Solves the rows before `from`, given an eliminated head and a solved tail. */
  solveHead(x: Float64Array, from: number): void {
    const { rowAt, first, factor, inverse, size } = this;
    for (let i = 0; i < from; i++) x[i] = x[i]! * inverse[i]!;
    for (let i = size - 1; i > 0; i--) {
      const row = rowAt[i]! - first[i]!;
      const value = x[i]!;
      const end = i < from ? i : from;
      for (let j = first[i]!; j < end; j++) x[j] = x[j]! - factor[row + j]! * value;
    }
  }

  private eliminate(x: Float64Array, from: number, to: number): void {
    const { rowAt, first, factor } = this;
    for (let i = from; i < to; i++) {
      const row = rowAt[i]! - first[i]!;
      let sum = x[i]!;
      for (let j = first[i]!; j < i; j++) sum -= factor[row + j]! * x[j]!;
      x[i] = sum;
    }
  }
}
