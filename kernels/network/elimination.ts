import { at, EACH, mul, pair, put, sub } from './lanes';
import {
  column,
  columnAt,
  columnOf,
  columnTwin,
  factor,
  inverse,
  row,
  size,
  temperature,
  twin,
} from './layout';

/*
 * LDLᵀ of the matrix in `factor`, and its substitutions. Loops keep what they need in locals: a global is read anew at
 * every use.
 */

/**
 * Eliminates the columns of pivots `from` to `to`; `updates` are the addresses that they take from, one after another.
 * Two columns with the same rows are taken out at once, as most of the last ones have them.
 */
export function eliminateColumns(from: i32, to: i32, updates: usize): void {
  const first = column;
  const second = columnTwin;
  const one = pair(1);
  let t = updates;
  let d = factor + EACH * <usize>from;
  let i = inverse + EACH * <usize>from;
  let c = columnAt + ((<usize>from) << 2);
  let w = twin + ((<usize>from) << 2);
  let entry = factor + <usize>load<i32>(c);
  const stop = factor + EACH * <usize>to;
  while (d < stop) {
    const end = factor + <usize>load<i32>(c, 4);
    scale(entry, end, d, i, first, one);
    if (!load<i32>(w)) {
      for (let e = entry, u = first; e < end; e += EACH, u += EACH) {
        const x = at(u);

        for (let r = e; r < end; r += EACH, t += 4) {
          const place = <usize>load<i32>(t);
          put(place, sub(at(place), mul(at(r), x)));
        }
      }
      entry = end;
      d += EACH;
      i += EACH;
      c += 4;
      w += 4;
      continue;
    }
    // The next column's own entries lie in the order of this one's rows.
    d += EACH;
    i += EACH;
    const last = factor + <usize>load<i32>(c, 8);
    const x = at(first);
    put(d, sub(at(d), mul(at(entry), x)));
    for (let r = entry + EACH, e = end; r < end; r += EACH, e += EACH) put(e, sub(at(e), mul(at(r), x)));

    scale(end, last, d, i, second, one);
    let u = first + EACH;
    let v = second;
    for (let a = entry + EACH, b = end; b < last; a += EACH, b += EACH, u += EACH, v += EACH) {
      const x0 = at(u);
      const x1 = at(v);

      for (let r = a, s = b; s < last; r += EACH, s += EACH, t += 4) {
        const place = <usize>load<i32>(t);
        put(place, sub(sub(at(place), mul(at(r), x0)), mul(at(s), x1)));
      }
    }
    entry = last;
    d += EACH;
    i += EACH;
    c += 8;
    w += 8;
  }
}

/** Divides a column by its diagonal, whose inverse it notes, and keeps what was there. */
function scale(from: usize, to: usize, diagonal: usize, inverted: usize, kept: usize, one: v128): void {
  const over = f64x2.div(one, at(diagonal));
  put(inverted, over);
  let k = kept;

  for (let e = from; e < to; e += EACH, k += EACH) {
    const x = at(e);
    put(k, x);
    put(e, mul(x, over));
  }
}

/** Entry by entry in the order of their columns: one long loop over a factor `f`. */
export function substituteForth(f: usize, from: i32, to: i32): void {
  const begin = <usize>load<i32>(columnAt + ((<usize>from) << 2));
  const stop = f + <usize>load<i32>(columnAt + ((<usize>to) << 2));
  const first = (begin / EACH - <usize>size) << 2;
  let r = row + first;
  let c = columnOf + first;
  let a = f + begin;
  for (; a + EACH < stop; a += 2 * EACH, r += 8, c += 8) {
    take(a, <usize>load<i32>(r), <usize>load<i32>(c));
    take(a + EACH, <usize>load<i32>(r, 4), <usize>load<i32>(c, 4));
  }
  if (a < stop) take(a, <usize>load<i32>(r), <usize>load<i32>(c));
}

function take(entry: usize, x: usize, from: usize): void {
  put(x, sub(at(x), mul(at(entry), at(from))));
}

/** Column by column from the last; `inverted` has the inverse diagonals. */
export function substituteBack(f: usize, inverted: usize, from: i32, to: i32): void {
  let c = columnAt + ((<usize>to) << 2);
  const entries = <usize>load<i32>(c);
  let a = f + entries;
  let r = row + ((entries / EACH - <usize>size) << 2);
  const last = EACH * <usize>(to - 1);
  let x = temperature + last;
  let i = inverted + last;
  const stop = temperature + EACH * <usize>from;
  for (; x >= stop; x -= EACH, i -= EACH) {
    c -= 4;
    const begin = f + <usize>load<i32>(c);
    let value = mul(at(x), at(i));

    while (a > begin) {
      a -= EACH;
      r -= 4;
      const y = <usize>load<i32>(r);
      value = sub(value, mul(at(a), at(y)));
    }
    put(x, value);
  }
}
