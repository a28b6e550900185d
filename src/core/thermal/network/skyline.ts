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
  private readonly pivot: Float64Array;
  readonly values: Float64Array;

  constructor(
    readonly size: number,
    pairs: Iterable<readonly [number, number]>,
  ) {
    this.first = Int32Array.from({ length: size }, (_, row) => row);
    for (const [a, b] of pairs) {
      const row = Math.max(a, b);
      this.first[row] = Math.min(this.first[row]!, a, b);
    }
    this.rowAt = new Int32Array(size + 1);
    for (let row = 0; row < size; row++) {
      this.rowAt[row + 1] = this.rowAt[row]! + row - this.first[row]! + 1;
    }
    this.values = new Float64Array(this.rowAt[size]!);
    this.factor = new Float64Array(this.rowAt[size]!);
    this.pivot = new Float64Array(size);
  }

  /** Place of entry (a, b) in `values`; both halves of the symmetric pair share it. */
  index(a: number, b: number): number {
    const row = Math.max(a, b);
    return this.rowAt[row]! + Math.min(a, b) - this.first[row]!;
  }

  /** Factors rows `from` to the last; earlier rows must not have changed since the last call. */
  factorise(from = 0): void {
    const { rowAt, first, values, factor, pivot } = this;
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
        const scaled = unscaled / pivot[j]!;
        factor[row + j] = scaled;
        diagonal -= unscaled * scaled;
      }
      pivot[i] = diagonal;
    }
  }

  /** Overwrites `x`, holding the right-hand side, with the solution. */
  solve(x: Float64Array): void {
    const { rowAt, first, factor, pivot, size } = this;
    for (let i = 0; i < size; i++) {
      const start = first[i]!;
      const row = rowAt[i]! - start;
      let sum = x[i]!;
      for (let j = start; j < i; j++) sum -= factor[row + j]! * x[j]!;
      x[i] = sum;
    }
    for (let i = 0; i < size; i++) x[i] = x[i]! / pivot[i]!;
    for (let i = size - 1; i > 0; i--) {
      const start = first[i]!;
      const row = rowAt[i]! - start;
      const value = x[i]!;
      for (let j = start; j < i; j++) x[j] = x[j]! - factor[row + j]! * value;
    }
  }
}
