/*
 * Two thermal networks of one shape side by side, one in each lane of every vector: the same steps as
 * src/core/thermal/network/plain.ts takes, which is what it is held to. All vectors are by pivot of the elimination.
 * A place is a diagonal (by its pivot) or an entry below it; places and rows are kept as bytes.
 */

/** Bytes of one pair of numbers. */
const PAIR: usize = 16;
const GAMMA: f64 = 1.0 - Math.SQRT1_2;
/** Lengths of stage whose heads are kept: steps double and halve, so few are met. */
const SLOTS: i32 = 20;

const SOLID: i32 = 0;
const MUSHY: i32 = 1;
const LIQUID: i32 = 2;

const OFF: i32 = 0;
const BAND: i32 = 1;
const FULL: i32 = 2;

let size: i32 = 0;
let split: i32 = 0;
let places: i32 = 0;
let edges: i32 = 0;
let melts: i32 = 0;
let heaters: i32 = 0;
let wettings: i32 = 0;
let ambients: i32 = 0;

let columnAt: usize = 0;
let row: usize = 0;
/** Column of each entry, by its pivot. */
let columnOf: usize = 0;
let updateAt: usize = 0;
let update: usize = 0;
/** The column at hand before it is scaled. */
let column: usize = 0;
let edge: usize = 0;
let meltNode: usize = 0;
let heaterNode: usize = 0;
let waitsFor: usize = 0;
let ambientNode: usize = 0;
let phase: usize = 0;
let control: usize = 0;

let fixedValues: usize = 0;
let fixedConduction: usize = 0;
let values: usize = 0;
let conduction: usize = 0;
let edgeSolid: usize = 0;
let edgeLiquid: usize = 0;
let slope: usize = 0;
let perSlope: usize = 0;
let offset: usize = 0;
let enthalpy: usize = 0;
let base: usize = 0;
let rate1: usize = 0;
let rate2: usize = 0;
let stage1: usize = 0;
let temperature: usize = 0;
let saved: usize = 0;
let source: usize = 0;
/** Of each lump: solidus and liquidus, K, then J; slopes of the three phases; their offsets. */
let curve: usize = 0;
let share: usize = 0;
let shareRate: usize = 0;
let halfway: usize = 0;
let wetted: usize = 0;
let wettedHalfway: usize = 0;
/** Of each wetting: what is dry, and one over its time. */
let wetting: usize = 0;
/** Of each heater: setting, gain, limit. */
let heater: usize = 0;
/** Of each link to the air: conductance, temperature. */
let ambient: usize = 0;
let loadFromHead: usize = 0;
let inverse: usize = 0;
let factor: usize = 0;
let solidusAt: usize = 0;
let liquidusAt: usize = 0;
/** Heat given and lost, J; heat stored as it began. */
let account: usize = 0;
let slots: usize = 0;
let slotBytes: usize = 0;
let slotKeys: usize = 0;

let slotCount: i32 = 0;
let nextSlot: i32 = 0;
let slot: usize = 0;
let factoredStage: f64 = 0;
let stale: bool = true;
let time: f64 = 0;
let step: f64 = 0;
let taken: f64 = 0;
let steps: i32 = 0;
let solves: i32 = 0;

const CURVE: usize = 10 * PAIR;
/** Bytes of one update: the place it falls on, the scaled entry, the one before scaling by its place in the column. */
const TRIPLE: usize = 12;

function pair(x: f64): v128 {
  return f64x2.splat(x);
}
function at(p: usize): v128 {
  return v128.load(p);
}
function put(p: usize, x: v128): void {
  v128.store(p, x);
}
function add(a: v128, b: v128): v128 {
  return f64x2.add(a, b);
}
function sub(a: v128, b: v128): v128 {
  return f64x2.sub(a, b);
}
function mul(a: v128, b: v128): v128 {
  return f64x2.mul(a, b);
}

let top: usize = 0;
function room(bytes: usize): usize {
  const here = top;
  top += (bytes + 15) & ~15;
  return here;
}

/** Lays out a shape's arrays; every address is asked for by `addressOf` after it. */
export function layOut(
  nodes: i32,
  head: i32,
  entries: i32,
  updates: i32,
  variableEdges: i32,
  lumps: i32,
  heated: i32,
  wets: i32,
  aired: i32,
): void {
  size = nodes;
  split = head;
  places = nodes + entries;
  edges = variableEdges;
  melts = lumps;
  heaters = heated;
  wettings = wets;
  ambients = aired;
  top = __heap_base;
  columnAt = room(4 * (size + 1));
  row = room(4 * entries);
  columnOf = room(4 * entries);
  updateAt = room(4 * (size + 1));
  update = room(TRIPLE * updates);
  column = room(PAIR * nodes);
  edge = room(24 * edges);
  meltNode = room(4 * melts);
  heaterNode = room(4 * heaters);
  waitsFor = room(4 * wettings);
  ambientNode = room(4 * ambients);
  phase = room(8 * melts);
  control = room(8 * heaters);
  const nodeBytes = PAIR * size;
  const placeBytes = PAIR * places;
  fixedValues = room(placeBytes);
  fixedConduction = room(nodeBytes);
  values = room(placeBytes);
  conduction = room(nodeBytes);
  edgeSolid = room(PAIR * edges);
  edgeLiquid = room(PAIR * edges);
  slope = room(nodeBytes);
  perSlope = room(nodeBytes);
  offset = room(nodeBytes);
  enthalpy = room(nodeBytes);
  base = room(nodeBytes);
  rate1 = room(nodeBytes);
  rate2 = room(nodeBytes);
  stage1 = room(nodeBytes);
  temperature = room(nodeBytes);
  saved = room(nodeBytes);
  source = room(nodeBytes);
  curve = room(CURVE * melts);
  share = room(PAIR * melts);
  shareRate = room(PAIR * melts);
  halfway = room(PAIR * melts);
  wetted = room(PAIR * wettings);
  wettedHalfway = room(PAIR * wettings);
  wetting = room(2 * PAIR * wettings);
  heater = room(3 * PAIR * heaters);
  ambient = room(2 * PAIR * ambients);
  loadFromHead = room(nodeBytes);
  inverse = room(nodeBytes);
  factor = room(placeBytes);
  solidusAt = room(PAIR * melts);
  liquidusAt = room(PAIR * melts);
  account = room(3 * PAIR);
  slotKeys = room(8 * SLOTS);
  slotBytes = placeBytes + nodeBytes;
  slots = room(slotBytes * SLOTS);
  const missing = <i32>((top + 0xffff) >>> 16) - memory.size();
  if (missing > 0) memory.grow(missing);
}

export function addressOf(array: i32): usize {
  switch (array) {
    case 0:
      return columnAt;
    case 1:
      return row;
    case 2:
      return updateAt;
    case 3:
      return update;
    case 4:
      return edge;
    case 5:
      return meltNode;
    case 6:
      return heaterNode;
    case 7:
      return waitsFor;
    case 8:
      return ambientNode;
    case 9:
      return fixedValues;
    case 10:
      return fixedConduction;
    case 11:
      return edgeSolid;
    case 12:
      return edgeLiquid;
    case 13:
      return slope;
    case 14:
      return temperature;
    case 15:
      return source;
    case 16:
      return curve;
    case 17:
      return wetting;
    case 18:
      return heater;
    case 19:
      return ambient;
    case 20:
      return solidusAt;
    case 21:
      return liquidusAt;
    case 22:
      return account;
    case 23:
      return columnOf;
    default:
      return enthalpy;
  }
}

/** Begins at the temperatures that were laid, with nothing melted further and everything as dry as it begins. */
export function begin(firstStep: f64): void {
  slotCount = 0;
  nextSlot = 0;
  factoredStage = 0;
  stale = true;
  time = 0;
  step = firstStep;
  steps = 0;
  solves = 0;
  for (let i = 0; i < size; i++) {
    const o = (<usize>i) << 4;
    put(perSlope + o, f64x2.div(pair(1), at(slope + o)));
    put(offset + o, pair(0));
    put(rate2 + o, pair(0));
  }
  for (let i = 0; i < melts; i++) {
    const o = (<usize>i) << 4;
    put(share + o, pair(0));
    put(shareRate + o, pair(0));
    put(halfway + o, pair(0));
    put(solidusAt + o, pair(NaN));
    put(liquidusAt + o, pair(NaN));
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    for (let lane = 0; lane < 2; lane++) {
      store<i32>(
        phase + ((<usize>i) << 3) + ((<usize>lane) << 2),
        meltAt(i, lane, load<f64>(temperature + node + ((<usize>lane) << 3))),
      );
    }
  }
  for (let i = 0; i < heaters; i++) {
    store<i32>(control + ((<usize>i) << 3), BAND);
    store<i32>(control + ((<usize>i) << 3) + 4, BAND);
  }
  for (let i = 0; i < wettings; i++) {
    put(wetted + ((<usize>i) << 4), at(wetting + ((<usize>i) << 5)));
    put(wettedHalfway + ((<usize>i) << 4), at(wetting + ((<usize>i) << 5)));
  }
  applyPhases();
  evaluateEnthalpy();
  let stored = pair(0);
  for (let i = 0; i < size; i++) stored = add(stored, at(enthalpy + ((<usize>i) << 4)));
  put(account, pair(0));
  put(account + PAIR, pair(0));
  put(account + 2 * PAIR, stored);
  follow(share, wetted);
}

export function timeNow(): f64 {
  return time;
}
export function stepTaken(): f64 {
  return taken;
}
export function stepsTaken(): i32 {
  return steps;
}
export function solved(): i32 {
  return solves;
}

/**
 * Takes one step that keeps the tolerance in the lanes that still count: bit one and bit two. 1 where it was taken,
 * 0 where it would not converge.
 */
export function advance(
  duration: f64,
  tolerance: f64,
  maxStep: f64,
  minStep: f64,
  maxPasses: i32,
  lanes: i32,
): i32 {
  while (true) {
    const left = duration - time;
    taken = min(step, left);
    memory.copy(saved, temperature, PAIR * size);
    foresee(taken);
    const error = tryStep(taken, maxPasses, lanes);
    if (error > 2 * tolerance && taken > minStep) {
      memory.copy(temperature, saved, PAIR * size);
      memory.fill(rate2, 0, PAIR * size);
      step = taken * shrink(error / (2 * tolerance));
      continue;
    }
    if (!isFinite(error)) return 0;
    noteCrossings(taken);
    acceptStep(taken);
    time += taken;
    steps++;
    if (error < tolerance / 3) step = min(2 * step, maxStep);
    return 1;
  }
}

/** A step is of second order: halved as often as its error asks for, so that lengths met again stay alike. */
function shrink(over: f64): f64 {
  let by = 0.5;
  for (let left = over; left > 4 && by > 1.0 / 64; left /= 4) by *= 0.5;
  return by;
}

/** Takes a step into `temperature`; its error estimate in K, infinite if it cycled. */
function tryStep(length: f64, maxPasses: i32, lanes: i32): f64 {
  const stage = GAMMA * length;
  const perStage = pair(1 / stage);
  const rest = pair((1 - GAMMA) * length);
  memory.copy(base, enthalpy, PAIR * size);
  guessPhases(stage, rate2);
  if (!solveStage(stage, maxPasses)) return Infinity;
  memory.copy(stage1, temperature, PAIR * size);
  const end = (<usize>size) << 4;
  for (let o: usize = 0; o < end; o += 16) {
    const h = at(enthalpy + o);
    const rate = mul(sub(add(at(offset + o), mul(at(slope + o), at(temperature + o))), h), perStage);
    put(rate1 + o, rate);
    put(base + o, add(h, mul(rest, rate)));
  }
  guessPhases(stage, rate1);
  if (!solveStage(stage, maxPasses)) return Infinity;
  let worst = pair(0);
  for (let o: usize = 0; o < end; o += 16) {
    const rate = mul(
      sub(add(at(offset + o), mul(at(slope + o), at(temperature + o))), at(base + o)),
      perStage,
    );
    put(rate2 + o, rate);
    const error = mul(f64x2.abs(mul(rest, sub(at(rate1 + o), rate))), at(perSlope + o));
    worst = f64x2.max(worst, error);
  }
  let most: f64 = 0;
  if (lanes & 1) most = f64x2.extract_lane(worst, 0);
  if (lanes & 2) {
    const second = f64x2.extract_lane(worst, 1);
    if (!(second <= most)) most = second;
  }
  return most;
}

function curveOf(lump: i32, entry: usize, lane: i32): f64 {
  return load<f64>(curve + CURVE * <usize>lump + PAIR * entry + ((<usize>lane) << 3));
}

function meltAt(lump: i32, lane: i32, t: f64): i32 {
  if (t <= curveOf(lump, 0, lane)) return SOLID;
  return t < curveOf(lump, 1, lane) ? MUSHY : LIQUID;
}

function guessPhases(stage: f64, rate: usize): void {
  let changed = false;
  for (let i = 0; i < melts; i++) {
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    for (let lane = 0; lane < 2; lane++) {
      const l = (<usize>lane) << 3;
      const h = load<f64>(base + node + l) + stage * load<f64>(rate + node + l);
      const guess = h <= curveOf(i, 2, lane) ? SOLID : h < curveOf(i, 3, lane) ? MUSHY : LIQUID;
      const p = phase + ((<usize>i) << 3) + ((<usize>lane) << 2);
      if (load<i32>(p) == guess) continue;
      store<i32>(p, guess);
      changed = true;
    }
  }
  if (!changed) return;
  applyPhases();
  stale = true;
}

function applyPhases(): void {
  for (let i = 0; i < melts; i++) {
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    for (let lane = 0; lane < 2; lane++) {
      const l = (<usize>lane) << 3;
      const p = <usize>load<i32>(phase + ((<usize>i) << 3) + ((<usize>lane) << 2));
      const s = curveOf(i, 4 + p, lane);
      store<f64>(slope + node + l, s);
      store<f64>(perSlope + node + l, 1 / s);
      store<f64>(offset + node + l, curveOf(i, 7 + p, lane));
    }
  }
}

function solveStage(stage: f64, maxPasses: i32): bool {
  for (let pass = 0; pass < maxPasses; pass++) {
    prepare(stage);
    if (pass == 0) {
      layRightHandSide(stage, 0, split);
      eliminateHead();
    }
    layRightHandSide(stage, split, size);
    solveTail();
    solves++;
    if (!correctGuess()) {
      substituteBack(slot, slot + PAIR * places, 0, split);
      return true;
    }
  }
  return false;
}

function layRightHandSide(stage: f64, from: i32, to: i32): void {
  const perStage = pair(1 / stage);
  const end = (<usize>to) << 4;
  for (let o = (<usize>from) << 4; o < end; o += 16) {
    put(temperature + o, add(mul(sub(at(base + o), at(offset + o)), perStage), at(source + o)));
  }
  // Heaters are of the tail.
  if (to <= split) return;
  for (let i = 0; i < heaters; i++) {
    const node = <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    const h = heater + 3 * PAIR * <usize>i;
    for (let lane = 0; lane < 2; lane++) {
      const l = (<usize>lane) << 3;
      const state = load<i32>(control + ((<usize>i) << 3) + ((<usize>lane) << 2));
      let more: f64 = 0;
      if (state == FULL) more = load<f64>(h + 2 * PAIR + l);
      if (state == BAND) more = load<f64>(h + PAIR + l) * load<f64>(h + l);
      store<f64>(temperature + node + l, load<f64>(temperature + node + l) + more);
    }
  }
}

function correctGuess(): bool {
  let changed = false;
  for (let i = 0; i < melts; i++) {
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    for (let lane = 0; lane < 2; lane++) {
      const found = meltAt(i, lane, load<f64>(temperature + node + ((<usize>lane) << 3)));
      const p = phase + ((<usize>i) << 3) + ((<usize>lane) << 2);
      const was = load<i32>(p);
      if (found == was) continue;
      // Never over the melting range in one correction: it is where Newton would cycle.
      store<i32>(p, abs(found - was) == 2 ? MUSHY : found);
      changed = true;
    }
  }
  for (let i = 0; i < heaters; i++) {
    const node = <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    const h = heater + 3 * PAIR * <usize>i;
    for (let lane = 0; lane < 2; lane++) {
      const l = (<usize>lane) << 3;
      const wanted = load<f64>(h + PAIR + l) * (load<f64>(h + l) - load<f64>(temperature + node + l));
      const state = wanted <= 0 ? OFF : wanted >= load<f64>(h + 2 * PAIR + l) ? FULL : BAND;
      const p = control + ((<usize>i) << 3) + ((<usize>lane) << 2);
      if (load<i32>(p) == state) continue;
      store<i32>(p, state);
      changed = true;
    }
  }
  if (changed) {
    applyPhases();
    stale = true;
  }
  return changed;
}

/** Conductances follow the melt and what is wetted; only places of the tail change. */
function follow(melt: usize, open: usize): void {
  const firstEntry = <usize>load<i32>(columnAt + ((<usize>split) << 2));
  const head = (<usize>split) << 4;
  memory.copy(values + head, fixedValues + head, PAIR * (size - split));
  memory.copy(values + firstEntry, fixedValues + firstEntry, PAIR * places - firstEntry);
  memory.copy(conduction + head, fixedConduction + head, PAIR * (size - split));
  for (let i = 0; i < edges; i++) {
    const e = edge + 24 * <usize>i;
    const a = load<i32>(e, 12);
    const b = load<i32>(e, 16);
    const w = load<i32>(e, 20);
    let molten = pair(0);
    if (a >= 0 && b >= 0)
      molten = mul(add(at(melt + ((<usize>a) << 4)), at(melt + ((<usize>b) << 4))), pair(0.5));
    else if (a >= 0) molten = at(melt + ((<usize>a) << 4));
    else if (b >= 0) molten = at(melt + ((<usize>b) << 4));
    const solid = at(edgeSolid + ((<usize>i) << 4));
    let g = add(solid, mul(molten, sub(at(edgeLiquid + ((<usize>i) << 4)), solid)));
    if (w >= 0) g = mul(g, at(open + ((<usize>w) << 4)));
    const place = values + <usize>load<i32>(e, 8);
    const from = conduction + <usize>load<i32>(e);
    const to = conduction + <usize>load<i32>(e, 4);
    put(place, sub(at(place), g));
    put(from, add(at(from), g));
    put(to, add(at(to), g));
  }
  stale = true;
}

function foresee(length: f64): void {
  let moved = false;
  const half = pair(0.5 * length);
  for (let i = 0; i < melts; i++) {
    const o = (<usize>i) << 4;
    const next = f64x2.min(pair(1), f64x2.max(pair(0), add(at(share + o), mul(half, at(shareRate + o)))));
    if (v128.any_true(f64x2.ne(next, at(halfway + o)))) moved = true;
    put(halfway + o, next);
  }
  for (let w = 0; w < wettings; w++) {
    const o = (<usize>w) << 4;
    const next = wettedAfter(w, half);
    if (v128.any_true(f64x2.ne(next, at(wettedHalfway + o)))) moved = true;
    put(wettedHalfway + o, next);
  }
  if (moved) follow(halfway, wettedHalfway);
}

function wettedAfter(index: i32, length: v128): v128 {
  const w = wetting + ((<usize>index) << 5);
  const lump = load<i32>(waitsFor + ((<usize>index) << 2));
  const melt = lump < 0 ? pair(1) : at(halfway + ((<usize>lump) << 4));
  const more = f64x2.div(mul(mul(sub(pair(1), at(w)), melt), length), at(w + PAIR));
  return f64x2.min(pair(1), add(at(wetted + ((<usize>index) << 4)), more));
}

function evaluateEnthalpy(): void {
  const end = (<usize>size) << 4;
  for (let o: usize = 0; o < end; o += 16) {
    put(enthalpy + o, add(at(offset + o), mul(at(slope + o), at(temperature + o))));
  }
}

function acceptStep(length: f64): void {
  const first = pair((1 - GAMMA) * length);
  const second = pair(GAMMA * length);
  let given = at(account);
  for (let i = 0; i < heaters; i++) {
    const node = <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    const h = heater + 3 * PAIR * <usize>i;
    given = add(
      given,
      add(mul(first, powerAt(h, at(stage1 + node))), mul(second, powerAt(h, at(temperature + node)))),
    );
  }
  put(account, given);
  let lost = at(account + PAIR);
  for (let i = 0; i < ambients; i++) {
    const node = <usize>load<i32>(ambientNode + ((<usize>i) << 2));
    const a = ambient + ((<usize>i) << 5);
    const air = at(a + PAIR);
    const excess = add(
      mul(first, sub(at(stage1 + node), air)),
      mul(second, sub(at(temperature + node), air)),
    );
    lost = add(lost, mul(at(a), excess));
  }
  put(account + PAIR, lost);
  evaluateEnthalpy();
  const all = pair(length);
  for (let w = 0; w < wettings; w++) put(wetted + ((<usize>w) << 4), wettedAfter(w, all));
  for (let i = 0; i < melts; i++) {
    const o = (<usize>i) << 4;
    const c = curve + CURVE * <usize>i;
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    const raw = f64x2.div(sub(at(temperature + node), at(c)), sub(at(c + PAIR), at(c)));
    const now = f64x2.min(pair(1), f64x2.max(pair(0), raw));
    put(shareRate + o, f64x2.div(sub(now, at(share + o)), all));
    put(share + o, now);
  }
}

function powerAt(h: usize, t: v128): v128 {
  return f64x2.min(at(h + 2 * PAIR), f64x2.max(pair(0), mul(at(h + PAIR), sub(at(h), t))));
}

function noteCrossings(length: f64): void {
  for (let i = 0; i < melts; i++) {
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    for (let lane = 0; lane < 2; lane++) {
      const l = (<usize>lane) << 3;
      const before = load<f64>(enthalpy + node + l);
      const after =
        load<f64>(offset + node + l) + load<f64>(slope + node + l) * load<f64>(temperature + node + l);
      cross(solidusAt + ((<usize>i) << 4) + l, curveOf(i, 2, lane), before, after, length);
      cross(liquidusAt + ((<usize>i) << 4) + l, curveOf(i, 3, lane), before, after, length);
    }
  }
}

function cross(into: usize, level: f64, before: f64, after: f64, length: f64): void {
  if (!isNaN(load<f64>(into)) || after < level) return;
  store<f64>(into, time + length * (before >= level ? 0 : (level - before) / (after - before)));
}

/* The matrix of a stage: its head once for each length of stage met, its tail whenever something changed. */

function prepare(stage: f64): void {
  if (stage == factoredStage && !stale) return;
  slot = slotFor(stage);
  const perStage = pair(1 / stage);
  for (let i = split; i < size; i++) {
    const o = (<usize>i) << 4;
    put(values + o, add(at(conduction + o), mul(at(slope + o), perStage)));
  }
  for (let i = 0; i < heaters; i++) {
    const node = <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    const h = heater + 3 * PAIR * <usize>i;
    for (let lane = 0; lane < 2; lane++) {
      const l = (<usize>lane) << 3;
      if (load<i32>(control + ((<usize>i) << 3) + ((<usize>lane) << 2)) != BAND) continue;
      store<f64>(values + node + l, load<f64>(values + node + l) + load<f64>(h + PAIR + l));
    }
  }
  const end = (<usize>size) << 4;
  for (let o = (<usize>split) << 4; o < end; o += 16) put(factor + o, add(at(values + o), at(slot + o)));
  const last = (<usize>places) << 4;
  for (let o = <usize>load<i32>(columnAt + ((<usize>split) << 2)); o < last; o += 16) {
    put(factor + o, add(at(values + o), at(slot + o)));
  }
  eliminateColumns(factor, inverse, split, size);
  factoredStage = stage;
  stale = false;
}

/** The head's factor for a length of stage, and in the tail's places what its elimination adds to them. */
function slotFor(stage: f64): usize {
  for (let i = 0; i < slotCount; i++) {
    if (load<f64>(slotKeys + ((<usize>i) << 3)) == stage) return slots + slotBytes * <usize>i;
  }
  const index = nextSlot;
  nextSlot = (nextSlot + 1) % SLOTS;
  slotCount = min(slotCount + 1, SLOTS);
  store<f64>(slotKeys + ((<usize>index) << 3), stage);
  const f = slots + slotBytes * <usize>index;
  const firstEntry = <usize>load<i32>(columnAt + ((<usize>split) << 2));
  const perStage = pair(1 / stage);
  for (let i = 0; i < split; i++) {
    const o = (<usize>i) << 4;
    put(f + o, add(at(fixedConduction + o), mul(at(slope + o), perStage)));
  }
  memory.fill(f + ((<usize>split) << 4), 0, PAIR * (size - split));
  memory.copy(
    f + ((<usize>size) << 4),
    fixedValues + ((<usize>size) << 4),
    firstEntry - ((<usize>size) << 4),
  );
  memory.fill(f + firstEntry, 0, PAIR * places - firstEntry);
  eliminateColumns(f, f + PAIR * places, 0, split);
  return f;
}

/** Column by column: what a column takes from the places after it is one flat list, so that no inner loop is short. */
function eliminateColumns(f: usize, inverted: usize, from: i32, to: i32): void {
  for (let p = from; p < to; p++) {
    const o = (<usize>p) << 4;
    const one = f64x2.div(pair(1), at(f + o));
    put(inverted + o, one);
    const c = columnAt + ((<usize>p) << 2);
    const end = f + <usize>load<i32>(c, 4);
    let unscaled = column;
    for (let a = f + <usize>load<i32>(c); a < end; a += PAIR, unscaled += PAIR) {
      const entry = at(a);
      put(unscaled, entry);
      put(a, mul(entry, one));
    }
    const u = updateAt + ((<usize>p) << 2);
    const last = update + <usize>load<i32>(u, 4);
    for (let t = update + <usize>load<i32>(u); t < last; t += TRIPLE) {
      const place = f + <usize>load<i32>(t);
      const scaled = at(f + <usize>load<i32>(t, 4));
      put(place, sub(at(place), mul(scaled, at(column + <usize>load<i32>(t, 8)))));
    }
  }
}

function eliminateHead(): void {
  const tail = (<usize>split) << 4;
  memory.fill(temperature + tail, 0, PAIR * (size - split));
  substituteForth(slot, 0, split);
  memory.copy(loadFromHead + tail, temperature + tail, PAIR * (size - split));
}

function solveTail(): void {
  const end = (<usize>size) << 4;
  for (let o = (<usize>split) << 4; o < end; o += 16) {
    put(temperature + o, add(at(temperature + o), at(loadFromHead + o)));
  }
  substituteForth(factor, split, size);
  substituteBack(factor, inverse, split, size);
}

/** Entry by entry in the order of their columns: one long loop. */
function substituteForth(f: usize, from: i32, to: i32): void {
  const nodes = (<usize>size) << 4;
  const first = <usize>load<i32>(columnAt + ((<usize>from) << 2));
  const end = <usize>load<i32>(columnAt + ((<usize>to) << 2));
  let r = row + ((first - nodes) >> 2);
  let c = columnOf + ((first - nodes) >> 2);
  for (let a = first; a < end; a += PAIR, r += 4, c += 4) {
    const x = temperature + <usize>load<i32>(r);
    put(x, sub(at(x), mul(at(f + a), at(temperature + <usize>load<i32>(c)))));
  }
}

function substituteBack(f: usize, inverted: usize, from: i32, to: i32): void {
  for (let p = to - 1; p >= from; p--) {
    const o = (<usize>p) << 4;
    const c = columnAt + ((<usize>p) << 2);
    let value = mul(at(temperature + o), at(inverted + o));
    const first = <usize>load<i32>(c);
    const end = <usize>load<i32>(c, 4);
    let r = row + ((first - ((<usize>size) << 4)) >> 2);
    for (let a = first; a < end; a += PAIR, r += 4) {
      value = sub(value, mul(at(f + a), at(temperature + <usize>load<i32>(r))));
    }
    put(temperature + o, value);
  }
}
