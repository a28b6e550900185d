/** Falls back on a straight mean along directions that the rows do not tell apart. */
const RIDGE = 1e-9;

/** Coefficients that bring rows closest to their values in squares: normal equations by Cholesky's factors. */
export function leastSquares(rows: readonly (readonly number[])[], values: readonly number[]): number[] {
  const n = rows[0]!.length;
  const normal = Array.from({ length: n }, () => new Float64Array(n));
  const right = new Float64Array(n);
  rows.forEach((row, r) => {
    for (let i = 0; i < n; i++) {
      right[i]! += row[i]! * values[r]!;
      for (let j = 0; j <= i; j++) normal[i]![j]! += row[i]! * row[j]!;
    }
  });
  for (let i = 0; i < n; i++) normal[i]![i]! += RIDGE * rows.length;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = normal[i]![j]!;
      for (let k = 0; k < j; k++) sum -= normal[i]![k]! * normal[j]![k]!;
      normal[i]![j] = i === j ? Math.sqrt(sum) : sum / normal[j]![j]!;
    }
  }
  const x = [...right];
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i]! -= normal[i]![k]! * x[k]!;
    x[i]! /= normal[i]![i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i]! -= normal[k]![i]! * x[k]!;
    x[i]! /= normal[i]![i]!;
  }
  return x;
}
