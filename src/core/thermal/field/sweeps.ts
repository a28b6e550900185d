/*
 * The loops that the board-scale solver spends its time in, over whole arrays: what cells pass on, and the
 * two sweeps of a tridiagonal factor in one direction. They change the array that is handed in.
 */

/** What cells pass on to those `stride` further on; a link that leaves the board is zero. */
export function pass(
  t: Float64Array,
  into: Float64Array,
  link_W_K: Float64Array,
  stride: number,
  step_s: number,
): void {
  const count = t.length - stride;
  for (let c = 0; c < count; c++) {
    const heat_J = step_s * link_W_K[c]! * (t[c]! - t[c + stride]!);
    into[c] = into[c]! - heat_J;
    into[c + stride] = into[c + stride]! + heat_J;
  }
}

/** Forth and back along rows, which follow each other without a break: a link that leaves the board is zero and parts them. */
export function sweepAlong(w: Float64Array, inverse: Float64Array, carry: Float64Array): void {
  const cells = w.length;
  let last = w[0]!;
  for (let c = 1; c < cells; c++) {
    last = w[c]! + carry[c - 1]! * last;
    w[c] = last;
  }
  last = 0;
  for (let c = cells - 1; c >= 0; c--) {
    last = w[c]! * inverse[c]! + carry[c]! * last;
    w[c] = last;
  }
}

/** The same across rows or layers, between cells `stride` apart; multiplies by each cell's capacity on the way. */
export function sweepAcross(
  w: Float64Array,
  capacity_J_K: Float64Array,
  inverse: Float64Array,
  carry: Float64Array,
  stride: number,
): void {
  const cells = w.length;
  for (let c = 0; c < stride; c++) w[c] = w[c]! * capacity_J_K[c]!;
  for (let c = stride; c < cells; c++) w[c] = w[c]! * capacity_J_K[c]! + carry[c - stride]! * w[c - stride]!;
  for (let c = cells - 1; c >= cells - stride; c--) w[c] = w[c]! * inverse[c]!;
  for (let c = cells - stride - 1; c >= 0; c--) w[c] = w[c]! * inverse[c]! + carry[c]! * w[c + stride]!;
}
