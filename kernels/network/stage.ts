import { eliminateColumns } from './elimination';
import { headStage, nextSlot, perStage, slotCount, stage } from './lane';
import { add, at, EACH, inLane, LANES, mul, pair, put, sub, wordOf } from './lanes';
import {
  columnAt,
  control,
  edge,
  edgeLiquid,
  edgeNow,
  edges,
  edgeSolid,
  factor,
  fixedConduction,
  fixedValues,
  head,
  headEntries,
  headNumbers,
  heater,
  heaterNode,
  heaters,
  inverse,
  LINK,
  places,
  reached,
  reaches,
  size,
  slope,
  slotKeys,
  SLOTS,
  slots,
  split,
  updateHead,
  updateTail,
} from './layout';

/* The matrix of a stage, C/stage + K: its head once for each length of stage met, its tail whenever something changed. */

const BAND: i32 = 1;

let stale: bool = true;

/** Tells that capacities or control have changed since the last factoring. */
export function outdate(): void {
  stale = true;
}

/** A lane has another network: what was kept of the last one is nothing to it. */
export function forget(lane: i32): void {
  store<i32>(slotCount + wordOf(lane), 0);
  store<i32>(nextSlot + wordOf(lane), 0);
  store<f64>(headStage + inLane(lane), 0);
}

/** Conductances follow the melt and what is wetted. */
export function follow(melt: usize, open: usize): void {
  const half = pair(0.5);
  const links = edge;
  const count = edges;

  const lumps = melt;
  let solids = edgeSolid;
  let liquids = edgeLiquid;
  let into = edgeNow;
  for (let i = 0; i < count; i++, solids += EACH, liquids += EACH, into += EACH) {
    const e = links + LINK * <usize>i;
    const a = load<i32>(e, 12);
    const b = load<i32>(e, 16);
    const w = load<i32>(e, 20);
    let molten = pair(0);
    if (a >= 0 && b >= 0) molten = mul(add(at(lumps + EACH * <usize>a), at(lumps + EACH * <usize>b)), half);
    else if (a >= 0) molten = at(lumps + EACH * <usize>a);
    else if (b >= 0) molten = at(lumps + EACH * <usize>b);
    const solid = at(solids);
    let g = add(solid, mul(molten, sub(at(liquids), solid)));
    if (w >= 0) g = mul(g, at(open + EACH * <usize>w));
    put(into, g);
  }

  stale = true;
}

/** Factors for the stages at hand, as far as something changed since the last time. */
export function prepare(lanes: i32): void {
  for (let lane = 0; lane < LANES; lane++) {
    if (!(lanes & (1 << lane))) continue;
    const length = load<f64>(stage + inLane(lane));
    if (length == load<f64>(headStage + inLane(lane))) continue;
    bringHead(lane, length);
    store<f64>(headStage + inLane(lane), length);
    stale = true;
  }
  if (!stale) return;
  layTail();
  eliminateColumns(split, size, updateTail);
  stale = false;
}

/** The tail's matrix: what is fixed of it, what the head adds, capacities, links as they are now, heaters in their band. */
function layTail(): void {
  const into = factor;
  const links = edge;
  const count = edges;
  const first = EACH * <usize>split;
  const end = EACH * <usize>size;
  const entries = <usize>load<i32>(columnAt + ((<usize>split) << 2));
  const last = EACH * <usize>places;

  const over = at(perStage);
  const conducts = fixedConduction;
  const holds = slope;
  for (let o = first; o < end; o += EACH) {
    put(into + o, add(at(conducts + o), mul(at(holds + o), over)));
  }
  memory.copy(into + entries, fixedValues + entries, last - entries);
  let more = head + EACH * <usize>(split + headEntries);
  const stop = reached + ((<usize>reaches) << 2);
  for (let p = reached; p < stop; p += 4, more += EACH) {
    const place = into + <usize>load<i32>(p);
    put(place, add(at(place), at(more)));
  }
  let now = edgeNow;
  for (let i = 0; i < count; i++, now += EACH) {
    const e = links + LINK * <usize>i;
    const g = at(now);
    const place = into + <usize>load<i32>(e, 8);
    const from = into + <usize>load<i32>(e);
    const to = into + <usize>load<i32>(e, 4);
    put(place, sub(at(place), g));
    put(from, add(at(from), g));
    put(to, add(at(to), g));
  }

  for (let i = 0; i < heaters; i++) {
    const node = into + <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    const gain = heater + EACH * <usize>(3 * i + 1);
    const states = control + 4 * <usize>(LANES * i);
    for (let lane = 0; lane < LANES; lane++) {
      if (load<i32>(states + wordOf(lane)) != BAND) continue;
      const here = node + inLane(lane);
      store<f64>(here, load<f64>(here) + load<f64>(gain + inLane(lane)));
    }
  }
}

/** Puts the head for a lane's stage beside those of the others. */
function bringHead(lane: i32, length: f64): void {
  let from = slotOf(lane, length);
  let into = head + inLane(lane);
  const end = from + 8 * <usize>headNumbers;
  for (; from < end; from += 8, into += EACH) store<f64>(into, load<f64>(from));
}

function slotOf(lane: i32, length: f64): usize {
  let slot = knownSlot(lane, length);
  if (slot == 0) {
    makeHeads(lane, length);
    slot = knownSlot(lane, length);
  }
  return slot;
}

function knownSlot(lane: i32, length: f64): usize {
  const count = load<i32>(slotCount + wordOf(lane));
  for (let i = lane * SLOTS; i < lane * SLOTS + count; i++) {
    if (load<f64>(slotKeys + ((<usize>i) << 3)) == length) return slots + 8 * <usize>headNumbers * <usize>i;
  }
  return 0;
}

/** Heads of one network for a length of stage and for its double, which comes next: one in each lane. */
function makeHeads(lane: i32, length: f64): void {
  const into = factor;
  const first = EACH * <usize>split;
  const diagonals = EACH * <usize>size;
  const entries = <usize>load<i32>(columnAt + ((<usize>split) << 2));
  const conducts = fixedConduction + inLane(lane);
  const holds = slope + inLane(lane);
  const fixed = fixedValues + inLane(lane);
  const over = f64x2.replace_lane(pair(1 / length), 1, 1 / (2 * length));
  for (let o: usize = 0; o < first; o += EACH) {
    put(into + o, add(pair(load<f64>(conducts + o)), mul(pair(load<f64>(holds + o)), over)));
  }
  memory.fill(into + first, 0, diagonals - first);
  for (let o = diagonals; o < entries; o += EACH) put(into + o, pair(load<f64>(fixed + o)));
  memory.fill(into + entries, 0, EACH * <usize>places - entries);
  eliminateColumns(0, split, updateHead);
  keepHead(lane, length, 0);
  if (knownSlot(lane, 2 * length) == 0) keepHead(lane, 2 * length, 1);
}

function keepHead(lane: i32, length: f64, from: i32): void {
  const word = wordOf(lane);
  const index = load<i32>(nextSlot + word);
  store<i32>(nextSlot + word, (index + 1) % SLOTS);
  store<i32>(slotCount + word, min(load<i32>(slotCount + word) + 1, SLOTS));
  const i = <usize>(lane * SLOTS + index);
  store<f64>(slotKeys + (i << 3), length);
  let into = slots + 8 * <usize>headNumbers * i;
  let o = inverse + inLane(from);
  const inverses = o + EACH * <usize>split;
  for (; o < inverses; o += EACH, into += 8) store<f64>(into, load<f64>(o));
  o = factor + EACH * <usize>size + inLane(from);
  const entries = o + EACH * <usize>headEntries;
  for (; o < entries; o += EACH, into += 8) store<f64>(into, load<f64>(o));
  const stop = reached + ((<usize>reaches) << 2);
  for (let p = reached; p < stop; p += 4, into += 8) {
    store<f64>(into, load<f64>(factor + inLane(from) + <usize>load<i32>(p)));
  }
}
