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

/**
 * What flows into each cell over a step, J, from its neighbours: r = dt Σ g (t' − t). Each cell gathers from all six in one pass,
 * two cells at a time; a cell without a layer above or below, or in the first or last row, has no link there to read.
 */
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
  // What has a cell before it and after it in every direction goes in pairs; the first and last layers do without one.
  gathered(t, r, linkX, linkY, linkZ, row, layer, 0, layer, end, step);
  gathered(t, r, linkX, linkY, linkZ, row, layer, layer, end - layer, end, step);
  gathered(t, r, linkX, linkY, linkZ, row, layer, end - layer, end, end, step);
}

function gathered(
  t: usize,
  r: usize,
  linkX: usize,
  linkY: usize,
  linkZ: usize,
  row: usize,
  layer: usize,
  from: usize,
  to: usize,
  end: usize,
  step: f64,
): void {
  if (from >= to) return;
  const above = from >= layer;
  const below = to <= end - layer;
  const dt = pair(step);
  let o = from;
  // The very first row has none before it, the very last none after it.
  const paired = max(from, row);
  for (; o < min(paired, to); o += WORD) one(t, r, linkX, linkY, linkZ, row, layer, o, end, step);
  const last = min(to, end - row);
  for (; o + VECTOR <= last; o += VECTOR) {
    const here = at(t + o);
    let sum = f64x2.mul(at(linkX + o), f64x2.sub(at(t + o + WORD), here));
    sum = f64x2.add(sum, f64x2.mul(at(linkX + o - WORD), f64x2.sub(at(t + o - WORD), here)));
    sum = f64x2.add(sum, f64x2.mul(at(linkY + o), f64x2.sub(at(t + o + row), here)));
    sum = f64x2.add(sum, f64x2.mul(at(linkY + o - row), f64x2.sub(at(t + o - row), here)));
    if (below) sum = f64x2.add(sum, f64x2.mul(at(linkZ + o), f64x2.sub(at(t + o + layer), here)));
    if (above) sum = f64x2.add(sum, f64x2.mul(at(linkZ + o - layer), f64x2.sub(at(t + o - layer), here)));
    v128.store(r + o, f64x2.mul(dt, sum));
  }
  for (; o < to; o += WORD) one(t, r, linkX, linkY, linkZ, row, layer, o, end, step);
}

/** One cell, with whatever it has about it. */
function one(
  t: usize,
  r: usize,
  linkX: usize,
  linkY: usize,
  linkZ: usize,
  row: usize,
  layer: usize,
  o: usize,
  end: usize,
  step: f64,
): void {
  const here = load<f64>(t + o);
  let sum: f64 = 0;
  if (o + WORD < end) sum += load<f64>(linkX + o) * (load<f64>(t + o + WORD) - here);
  if (o >= WORD) sum += load<f64>(linkX + o - WORD) * (load<f64>(t + o - WORD) - here);
  if (o + row < end) sum += load<f64>(linkY + o) * (load<f64>(t + o + row) - here);
  if (o >= row) sum += load<f64>(linkY + o - row) * (load<f64>(t + o - row) - here);
  if (o + layer < end) sum += load<f64>(linkZ + o) * (load<f64>(t + o + layer) - here);
  if (o >= layer) sum += load<f64>(linkZ + o - layer) * (load<f64>(t + o - layer) - here);
  store<f64>(r + o, step * sum);
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
  const dt = pair(step);
  const over = pair(excess);
  const room = pair(ambient);
  let o: usize = 0;
  for (; o + VECTOR <= end; o += VECTOR) {
    const rise = f64x2.sub(at(t + o), room);
    const blown = f64x2.mul(at(hot + o), f64x2.sub(f64x2.mul(at(warmth + o), over), rise));
    const gained = f64x2.sub(blown, f64x2.mul(at(still + o), rise));
    v128.store(r + o, f64x2.add(at(r + o), f64x2.mul(dt, gained)));
  }
  for (; o < end; o += WORD) {
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
  const over = pair(excess);
  const room = pair(ambient);
  let gives = pair(0);
  let loses = pair(0);
  let o: usize = 0;
  for (; o + VECTOR <= end; o += VECTOR) {
    const rise = f64x2.sub(at(t + o), room);
    const blown = f64x2.mul(at(hot + o), f64x2.sub(f64x2.mul(at(warmth + o), over), rise));
    gives = f64x2.add(gives, blown);
    loses = f64x2.add(loses, f64x2.mul(at(still + o), rise));
  }
  given = f64x2.extract_lane(gives, 0) + f64x2.extract_lane(gives, 1);
  lost = f64x2.extract_lane(loses, 0) + f64x2.extract_lane(loses, 1);
  for (; o < end; o += WORD) {
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
  let total = pair(0);
  let o: usize = 0;
  for (; o + VECTOR <= end; o += VECTOR) {
    const change = at(w + o);
    v128.store(t + o, f64x2.add(at(t + o), change));
    largest = f64x2.pmax(largest, f64x2.abs(change));
    // The quick maximum forgets what is no number; a sum does not.
    total = f64x2.add(total, change);
  }
  let most = max(f64x2.extract_lane(largest, 0), f64x2.extract_lane(largest, 1));
  let sum = f64x2.extract_lane(total, 0) + f64x2.extract_lane(total, 1);
  for (; o < end; o += WORD) {
    const change = load<f64>(w + o);
    store<f64>(t + o, load<f64>(t + o) + change);
    most = max(most, abs(change));
    sum += change;
  }
  return sum - sum == 0 ? most : sum - sum;
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
  const dt = pair(step);
  const none = pair(0);
  const unit = pair(1);
  for (let k = 0; k < nz; k++) {
    const first = layer * k;
    let o: usize = 0;
    for (; o + VECTOR <= <usize>layer; o += VECTOR) {
      const c = first + o;
      const before = k > 0 ? at(linkZ + c - layer) : none;
      const onward = k < nz - 1 ? at(linkZ + c) : none;
      let sum = f64x2.add(at(bodyLink + c), f64x2.add(before, onward));
      if (k == 0) sum = f64x2.add(sum, f64x2.add(at(hotTop + o), at(stillTop + o)));
      if (k == nz - 1) sum = f64x2.add(sum, f64x2.add(at(hotBottom + o), at(stillBottom + o)));
      let pivot = f64x2.add(at(capacity + c), f64x2.mul(dt, sum));
      if (k > 0) pivot = f64x2.sub(pivot, f64x2.mul(f64x2.mul(dt, before), at(carry + c - layer)));
      const over = f64x2.div(unit, pivot);
      v128.store(inverse + c, over);
      v128.store(carry + c, f64x2.mul(f64x2.mul(dt, onward), over));
    }
    for (; o < <usize>layer; o += WORD) {
      const c = first + o;
      const before = k > 0 ? load<f64>(linkZ + c - layer) : 0;
      const onward = k < nz - 1 ? load<f64>(linkZ + c) : 0;
      let sum = load<f64>(bodyLink + c) + before + onward;
      if (k == 0) sum += load<f64>(hotTop + o) + load<f64>(stillTop + o);
      if (k == nz - 1) sum += load<f64>(hotBottom + o) + load<f64>(stillBottom + o);
      const back = k > 0 ? step * before * load<f64>(carry + c - layer) : 0;
      const over = 1 / (load<f64>(capacity + c) + step * sum - back);
      store<f64>(inverse + c, over);
      store<f64>(carry + c, step * onward * over);
    }
  }
}

/** Means through the thickness; where one is over `floor` it is counted, and the largest of all is given. */
let over: i32 = 0;
export function means(t: usize, mean: usize, columns: i32, nz: i32, floor: f64): f64 {
  const layer = WORD * columns;
  const bottom = layer * (nz - 1);
  const share = pair(1.0 / <f64>(nz - 1));
  const half = pair(0.5);
  const limit = pair(floor);
  let largest = pair(0);
  let counted = i64x2.splat(0);
  let o: usize = 0;
  for (; o + VECTOR <= <usize>layer; o += VECTOR) {
    let sum = f64x2.mul(half, f64x2.add(at(t + o), at(t + o + bottom)));
    for (let k = 1; k < nz - 1; k++) sum = f64x2.add(sum, at(t + o + layer * k));
    sum = f64x2.mul(sum, share);
    v128.store(mean + o, sum);
    // A comparison that holds is minus one.
    counted = i64x2.sub(counted, f64x2.gt(sum, limit));
    largest = f64x2.pmax(largest, sum);
  }
  over = <i32>(i64x2.extract_lane(counted, 0) + i64x2.extract_lane(counted, 1));
  let most = max(f64x2.extract_lane(largest, 0), f64x2.extract_lane(largest, 1));
  for (; o < <usize>layer; o += WORD) {
    let sum = 0.5 * (load<f64>(t + o) + load<f64>(t + o + bottom));
    for (let k = 1; k < nz - 1; k++) sum += load<f64>(t + o + layer * k);
    sum /= <f64>(nz - 1);
    store<f64>(mean + o, sum);
    if (sum > floor) over++;
    most = max(most, sum);
  }
  return most;
}
export function countOver(): i32 {
  return over;
}

let hottestTop: f64 = 0;
let hottestBottom: f64 = 0;

/**
 * How far the upper face is over the lower one: means along rows and across them, each cell by its share of its row or column;
 * the hottest of each face beside it.
 */
export function spreads(
  upper: usize,
  lower: usize,
  alongX: usize,
  alongY: usize,
  shareX: usize,
  shareY: usize,
  nx: i32,
  ny: i32,
): void {
  const row = WORD * nx;
  memory.fill(alongX, 0, row);
  hottestTop = 0;
  hottestBottom = 0;
  let mostTop = pair(0);
  let mostBottom = pair(0);
  let o: usize = 0;
  for (let j = 0; j < ny; j++) {
    const weight = load<f64>(shareY + WORD * j);
    const weights = pair(weight);
    let sums = pair(0);
    let i: usize = 0;
    for (; i + VECTOR <= <usize>row; i += VECTOR, o += VECTOR) {
      const above = at(upper + o);
      const below = at(lower + o);
      mostTop = f64x2.pmax(mostTop, above);
      mostBottom = f64x2.pmax(mostBottom, below);
      const gap = f64x2.sub(above, below);
      sums = f64x2.add(sums, f64x2.mul(gap, at(shareX + i)));
      v128.store(alongX + i, f64x2.add(at(alongX + i), f64x2.mul(gap, weights)));
    }
    let sum = f64x2.extract_lane(sums, 0) + f64x2.extract_lane(sums, 1);
    for (; i < <usize>row; i += WORD, o += WORD) {
      const above = load<f64>(upper + o);
      const below = load<f64>(lower + o);
      hottestTop = max(hottestTop, above);
      hottestBottom = max(hottestBottom, below);
      sum += (above - below) * load<f64>(shareX + i);
      store<f64>(alongX + i, load<f64>(alongX + i) + (above - below) * weight);
    }
    store<f64>(alongY + WORD * j, sum);
  }
  hottestTop = max(hottestTop, max(f64x2.extract_lane(mostTop, 0), f64x2.extract_lane(mostTop, 1)));
  hottestBottom = max(
    hottestBottom,
    max(f64x2.extract_lane(mostBottom, 0), f64x2.extract_lane(mostBottom, 1)),
  );
}
export function topThen(): f64 {
  return hottestTop;
}
export function bottomThen(): f64 {
  return hottestBottom;
}

/** Which columns are over their glass transition: marks them, and tells whether any was. */
export function soften(mean: usize, softened: usize, area: usize, columns: i32, softens: f64): bool {
  const end = WORD * columns;
  let any = false;
  for (let o: usize = 0; o < end; o += WORD) {
    if (load<f64>(mean + o) <= softens || load<f64>(area + o) == 0) continue;
    store<f64>(softened + o, 1);
    any = true;
  }
  return any;
}

/** Ages the laminate of columns over the floor by a table of rates, rows `spacing` apart from the floor on; the oldest of them. */
export function age(
  mean: usize,
  dose: usize,
  area: usize,
  rates: usize,
  last: i32,
  columns: i32,
  floor: f64,
  spacing: f64,
  step: f64,
): f64 {
  const end = WORD * columns;
  let most: f64 = 0;
  for (let o: usize = 0; o < end; o += WORD) {
    const over = load<f64>(mean + o) - floor;
    if (over <= 0 || load<f64>(area + o) == 0) continue;
    const place = min(<f64>last, over / spacing);
    const whole = <i32>place;
    const rate = load<f64>(rates + WORD * whole);
    const next = load<f64>(rates + WORD * (whole + 1));
    const spent = load<f64>(dose + o) + step * (rate + (place - <f64>whole) * (next - rate));
    store<f64>(dose + o, spent);
    if (spent > most) most = spent;
  }
  return most;
}

let zoneArea: f64 = 0;
let zoneSum: f64 = 0;
let restArea: f64 = 0;
let restSum: f64 = 0;

/** Areas and temperatures times areas of what has softened and of the rest; read by what follows. */
export function zones(t: usize, softened: usize, area: usize, columns: i32): void {
  const end = WORD * columns;
  zoneArea = zoneSum = restArea = restSum = 0;
  for (let o: usize = 0; o < end; o += WORD) {
    const cell = load<f64>(area + o);
    const soft = load<f64>(softened + o) * cell;
    const here = load<f64>(t + o);
    zoneArea += soft;
    zoneSum += soft * here;
    restArea += cell - soft;
    restSum += (cell - soft) * here;
  }
}
export function zoneAreaThen(): f64 {
  return zoneArea;
}
export function zoneSumThen(): f64 {
  return zoneSum;
}
export function restAreaThen(): f64 {
  return restArea;
}
export function restSumThen(): f64 {
  return restSum;
}

/** Pivots along one direction; cells that meet lie `stride` apart. */
export function factorInPlane(
  inverse: usize,
  carry: usize,
  capacity: usize,
  link: usize,
  stride: i32,
  cells: i32,
  step: f64,
): void {
  const back = WORD * stride;
  const end = WORD * cells;
  for (let o: usize = 0; o < end; o += WORD) {
    const onward = step * load<f64>(link + o);
    let sum = load<f64>(capacity + o) + onward;
    if (o >= back) {
      const before = step * load<f64>(link + o - back);
      sum += before - before * load<f64>(carry + o - back);
    }
    const one = 1 / sum;
    store<f64>(inverse + o, one);
    store<f64>(carry + o, onward * one);
  }
}

/** Whether any of a face has moved further than `limit` from where it was seen last. */
export function moved(t: usize, seen: usize, columns: i32, limit: f64): bool {
  const end = WORD * columns;
  const most = pair(limit);
  let o: usize = 0;
  for (; o + VECTOR <= end; o += VECTOR) {
    const away = f64x2.abs(f64x2.sub(at(t + o), at(seen + o)));
    if (v128.any_true(f64x2.gt(away, most))) return true;
  }
  return o < end && abs(load<f64>(t + o) - load<f64>(seen + o)) > limit;
}

// Films against a face's temperature are read from tables, a row to the kelvin.
let tableFrom: f64 = 0;
let tableLast: f64 = 0;
export function readTables(from: f64, rows: i32): void {
  tableFrom = from;
  tableLast = <f64>(rows - 1);
}
function row(t: f64): usize {
  const rounded = floor(t - tableFrom + 0.5);
  return WORD * <usize>(rounded > 0 ? min(rounded, tableLast) : 0);
}

/** A face over a preheater. */
export function followPreheated(
  t: usize,
  hot: usize,
  warmth: usize,
  still: usize,
  area: usize,
  open: usize,
  source: usize,
  columns: i32,
  factor: f64,
): void {
  const end = WORD * columns;
  for (let o: usize = 0; o < end; o += WORD) {
    const film = load<f64>(source + row(load<f64>(t + o)));
    store<f64>(hot + o, factor * load<f64>(area + o) * load<f64>(open + o) * film);
    store<f64>(warmth + o, 1);
    store<f64>(still + o, 0);
  }
}

/** A face in still air. */
export function followCalm(
  t: usize,
  hot: usize,
  still: usize,
  area: usize,
  open: usize,
  emit: usize,
  natural: usize,
  radiant: usize,
  columns: i32,
): void {
  const end = WORD * columns;
  memory.fill(hot, 0, end);
  for (let o: usize = 0; o < end; o += WORD) {
    const r = row(load<f64>(t + o));
    const film = load<f64>(open + o) * load<f64>(natural + r) + load<f64>(emit + o) * load<f64>(radiant + r);
    store<f64>(still + o, load<f64>(area + o) * film);
  }
}

/** A face under a jet: what blows on it, what the nozzle's metal shines, what the room takes; what the air meets of it. */
export function followBlown(
  t: usize,
  hot: usize,
  warmth: usize,
  still: usize,
  area: usize,
  open: usize,
  emit: usize,
  natural: usize,
  radiant: usize,
  warming: usize,
  nozzle: usize,
  base: usize,
  mouth: usize,
  taken: usize,
  against: usize,
  columns: i32,
  ambient: f64,
): void {
  const end = WORD * columns;
  for (let o: usize = 0; o < end; o += WORD) {
    const here = load<f64>(t + o);
    const r = row(here);
    const cell = load<f64>(area + o);
    const uncovered = load<f64>(open + o);
    const shining = load<f64>(emit + o);
    const seen = load<f64>(mouth + o);
    const calm = load<f64>(natural + r);
    const jet = load<f64>(base + o) * load<f64>(warming + r);
    const blown = cell * uncovered * jet;
    const shone = cell * shining * seen * load<f64>(nozzle + r);
    store<f64>(taken + o, load<f64>(taken + o) + blown);
    store<f64>(against + o, load<f64>(against + o) + blown * (here - ambient));
    const all = blown + shone;
    store<f64>(hot + o, all);
    store<f64>(warmth + o, all > 0 ? shone / all : 0);
    const left = calm > jet ? calm - jet : 0;
    store<f64>(still + o, cell * (uncovered * left + load<f64>(radiant + r) * shining * (1 - seen)));
  }
}
