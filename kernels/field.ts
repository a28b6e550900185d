/*
 * The loops that the board-scale solver spends its time in, over whole arrays of cells: what
 * src/core/thermal/field/plainLoops.ts does, which is what they are held to. Addresses are bytes; cells are in rows of `nx`,
 * rows in layers. A link that leaves the board is zero, so that rows and layers follow each other without a break.
 */

const WORD: usize = 8;
const VECTOR: usize = 16;

function pair(x: f64): v128 {
  return f64x2.splat(x);
}
function at(p: usize): v128 {
  return v128.load(p);
}

let top: usize = 0;

/** Room for so many numbers; all of it is asked for before any of it is seen from outside. */
export function reserve(words: i32): void {
  top = (__heap_base + 15) & ~15;
  const missing = <i32>((top + WORD * words + 0xffff) >>> 16) - memory.size();
  if (missing > 0) memory.grow(missing);
}

export function take(words: i32): usize {
  const here = top;
  top += (WORD * words + 15) & ~15;
  return here;
}

/** What flows into each cell over a step, J, from its neighbours: r = dt Σ g (t' − t). */
export function residual(
  t: usize,
  r: usize,
  linkX: usize,
  linkY: usize,
  linkZ: usize,
  nx: i32,
  columns: i32,
  cells: i32,
  step: f64,
): void {
  const row = WORD * nx;
  const layer = WORD * columns;
  const end = WORD * cells;
  memory.fill(r, 0, end);
  const dt = pair(step);
  // Each link is crossed once: along rows first, then across rows, then through; two cells at a time where they do not meet.
  let carried: f64 = 0;
  for (let o: usize = 0; o < end; o += WORD) {
    const here = load<f64>(t + o);
    const next = o + WORD < end ? load<f64>(t + o + WORD) : here;
    const heat = step * load<f64>(linkX + o) * (here - next);
    store<f64>(r + o, carried - heat);
    carried = heat;
  }
  across(t, r, linkY, row, end, dt, step);
  across(t, r, linkZ, layer, end, dt, step);
}

function across(t: usize, r: usize, link: usize, stride: usize, end: usize, dt: v128, step: f64): void {
  const last = end - stride;
  let o: usize = 0;
  for (; o + VECTOR <= last; o += VECTOR) {
    const heat = f64x2.mul(f64x2.mul(dt, at(link + o)), f64x2.sub(at(t + o), at(t + o + stride)));
    v128.store(r + o, f64x2.sub(at(r + o), heat));
    v128.store(r + o + stride, f64x2.add(at(r + o + stride), heat));
  }
  for (; o < last; o += WORD) {
    const heat = step * load<f64>(link + o) * (load<f64>(t + o) - load<f64>(t + o + stride));
    store<f64>(r + o, load<f64>(r + o) - heat);
    store<f64>(r + o + stride, load<f64>(r + o + stride) + heat);
  }
}

/** Forth and back along rows. Four rows at once: each waits for its own last cell alone. */
export function sweepAlong(w: usize, inverse: usize, carry: usize, nx: i32, cells: i32): void {
  const row = WORD * nx;
  const rows = cells / nx;
  const fours = rows & ~3;
  for (let j = 0; j < fours; j += 4) {
    const a = row * j;
    const b = a + row;
    const c = b + row;
    const d = c + row;
    let la: f64 = 0;
    let lb: f64 = 0;
    let lc: f64 = 0;
    let ld: f64 = 0;
    let ka: f64 = 0;
    let kb: f64 = 0;
    let kc: f64 = 0;
    let kd: f64 = 0;
    for (let o: usize = 0; o < row; o += WORD) {
      la = load<f64>(w + a + o) + ka * la;
      lb = load<f64>(w + b + o) + kb * lb;
      lc = load<f64>(w + c + o) + kc * lc;
      ld = load<f64>(w + d + o) + kd * ld;
      store<f64>(w + a + o, la);
      store<f64>(w + b + o, lb);
      store<f64>(w + c + o, lc);
      store<f64>(w + d + o, ld);
      ka = load<f64>(carry + a + o);
      kb = load<f64>(carry + b + o);
      kc = load<f64>(carry + c + o);
      kd = load<f64>(carry + d + o);
    }
    la = lb = lc = ld = 0;
    for (let o = <isize>row - <isize>WORD; o >= 0; o -= WORD) {
      la = load<f64>(w + a + o) * load<f64>(inverse + a + o) + load<f64>(carry + a + o) * la;
      lb = load<f64>(w + b + o) * load<f64>(inverse + b + o) + load<f64>(carry + b + o) * lb;
      lc = load<f64>(w + c + o) * load<f64>(inverse + c + o) + load<f64>(carry + c + o) * lc;
      ld = load<f64>(w + d + o) * load<f64>(inverse + d + o) + load<f64>(carry + d + o) * ld;
      store<f64>(w + a + o, la);
      store<f64>(w + b + o, lb);
      store<f64>(w + c + o, lc);
      store<f64>(w + d + o, ld);
    }
  }
  for (let j = fours; j < rows; j++) {
    const a = row * j;
    let last: f64 = 0;
    let k: f64 = 0;
    for (let o: usize = 0; o < row; o += WORD) {
      last = load<f64>(w + a + o) + k * last;
      store<f64>(w + a + o, last);
      k = load<f64>(carry + a + o);
    }
    last = 0;
    for (let o = <isize>row - <isize>WORD; o >= 0; o -= WORD) {
      last = load<f64>(w + a + o) * load<f64>(inverse + a + o) + load<f64>(carry + a + o) * last;
      store<f64>(w + a + o, last);
    }
  }
}

/** The same between cells `stride` apart; multiplies by each cell's capacity on the way. */
export function sweepAcross(
  w: usize,
  capacity: usize,
  inverse: usize,
  carry: usize,
  stride: i32,
  cells: i32,
): void {
  const back = WORD * stride;
  const end = WORD * cells;
  for (let o: usize = 0; o < back; o += WORD) store<f64>(w + o, load<f64>(w + o) * load<f64>(capacity + o));
  let o: usize = back;
  for (; o + VECTOR <= end; o += VECTOR) {
    const before = f64x2.mul(at(carry + o - back), at(w + o - back));
    v128.store(w + o, f64x2.add(f64x2.mul(at(w + o), at(capacity + o)), before));
  }
  for (; o < end; o += WORD) {
    const before = load<f64>(carry + o - back) * load<f64>(w + o - back);
    store<f64>(w + o, load<f64>(w + o) * load<f64>(capacity + o) + before);
  }
  for (let p = end - back; p < end; p += WORD) store<f64>(w + p, load<f64>(w + p) * load<f64>(inverse + p));
  let p = <isize>(end - back) - <isize>VECTOR;
  for (; p >= 0; p -= VECTOR) {
    const after = f64x2.mul(at(carry + p), at(w + p + back));
    v128.store(w + p, f64x2.add(f64x2.mul(at(w + p), at(inverse + p)), after));
  }
  if (p > -(<isize>VECTOR)) {
    store<f64>(w, load<f64>(w) * load<f64>(inverse) + load<f64>(carry) * load<f64>(w + back));
  }
}

/** What a face's films bring its cells over a step, J, into their residuals. */
export function face(
  t: usize,
  r: usize,
  hot: usize,
  warmth: usize,
  still: usize,
  columns: i32,
  step: f64,
  excess: f64,
  ambient: f64,
): void {
  const end = WORD * columns;
  for (let o: usize = 0; o < end; o += WORD) {
    const rise = load<f64>(t + o) - ambient;
    const blown = load<f64>(hot + o) * (load<f64>(warmth + o) * excess - rise);
    store<f64>(r + o, load<f64>(r + o) + step * (blown - load<f64>(still + o) * rise));
  }
}

let given: f64 = 0;
let lost: f64 = 0;

/** What a face's source gives and its still air takes, W; read by `givenThen` and `lostThen`. */
export function flows(
  t: usize,
  hot: usize,
  warmth: usize,
  still: usize,
  columns: i32,
  excess: f64,
  ambient: f64,
): void {
  const end = WORD * columns;
  given = 0;
  lost = 0;
  for (let o: usize = 0; o < end; o += WORD) {
    const rise = load<f64>(t + o) - ambient;
    given += load<f64>(hot + o) * (load<f64>(warmth + o) * excess - rise);
    lost += load<f64>(still + o) * rise;
  }
}
export function givenThen(): f64 {
  return given;
}
export function lostThen(): f64 {
  return lost;
}

/** Adds the changes to the temperatures; the largest of them, K. A change that is not a number is kept, not lost. */
export function accept(t: usize, w: usize, cells: i32): f64 {
  const end = WORD * cells;
  let largest = pair(0);
  let o: usize = 0;
  for (; o + VECTOR <= end; o += VECTOR) {
    const moved = at(w + o);
    v128.store(t + o, f64x2.add(at(t + o), moved));
    largest = f64x2.max(largest, f64x2.abs(moved));
  }
  let most = max(f64x2.extract_lane(largest, 0), f64x2.extract_lane(largest, 1));
  for (; o < end; o += WORD) {
    const moved = load<f64>(w + o);
    store<f64>(t + o, load<f64>(t + o) + moved);
    most = max(most, abs(moved));
  }
  return most;
}

/** Pivots through the thickness: capacities, links, films and bodies' gaps. */
export function factorThrough(
  inverse: usize,
  carry: usize,
  capacity: usize,
  linkZ: usize,
  bodyLink: usize,
  hotTop: usize,
  stillTop: usize,
  hotBottom: usize,
  stillBottom: usize,
  columns: i32,
  nz: i32,
  step: f64,
): void {
  const layer = WORD * columns;
  for (let k = 0; k < nz; k++) {
    const first = layer * k;
    for (let o: usize = 0; o < layer; o += WORD) {
      const c = first + o;
      let sum = load<f64>(bodyLink + c);
      let back: f64 = 0;
      if (k > 0) {
        const link = load<f64>(linkZ + c - layer);
        sum += link;
        back = step * link * load<f64>(carry + c - layer);
      }
      if (k < nz - 1) sum += load<f64>(linkZ + c);
      if (k == 0) sum += load<f64>(hotTop + o) + load<f64>(stillTop + o);
      if (k == nz - 1) sum += load<f64>(hotBottom + o) + load<f64>(stillBottom + o);
      const one = 1 / (load<f64>(capacity + c) + step * sum - back);
      store<f64>(inverse + c, one);
      store<f64>(carry + c, k < nz - 1 ? step * load<f64>(linkZ + c) * one : 0);
    }
  }
}

/** Means through the thickness; where one is over `floor` it is counted, and the largest of all is given. */
let over: i32 = 0;
export function means(t: usize, mean: usize, columns: i32, nz: i32, floor: f64): f64 {
  const layer = WORD * columns;
  const share = 1.0 / <f64>(nz - 1);
  let largest: f64 = 0;
  over = 0;
  for (let o: usize = 0; o < layer; o += WORD) {
    let sum = 0.5 * (load<f64>(t + o) + load<f64>(t + o + layer * (nz - 1)));
    for (let k = 1; k < nz - 1; k++) sum += load<f64>(t + o + layer * k);
    sum *= share;
    store<f64>(mean + o, sum);
    if (sum > floor) over++;
    largest = max(largest, sum);
  }
  return largest;
}
export function countOver(): i32 {
  return over;
}

let hottestTop: f64 = 0;
let hottestBottom: f64 = 0;

/** How far the upper face is over the lower one: means along rows and across them; the hottest of each face beside it. */
export function spreads(upper: usize, lower: usize, alongX: usize, alongY: usize, nx: i32, ny: i32): void {
  const row = WORD * nx;
  const perColumn = 1 / <f64>ny;
  memory.fill(alongX, 0, row);
  hottestTop = 0;
  hottestBottom = 0;
  let o: usize = 0;
  for (let j = 0; j < ny; j++) {
    let sum: f64 = 0;
    for (let i: usize = 0; i < row; i += WORD, o += WORD) {
      const above = load<f64>(upper + o);
      const below = load<f64>(lower + o);
      hottestTop = max(hottestTop, above);
      hottestBottom = max(hottestBottom, below);
      sum += above - below;
      store<f64>(alongX + i, load<f64>(alongX + i) + (above - below) * perColumn);
    }
    store<f64>(alongY + WORD * j, sum / <f64>nx);
  }
}
export function topThen(): f64 {
  return hottestTop;
}
export function bottomThen(): f64 {
  return hottestBottom;
}
