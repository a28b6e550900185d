import { kept, stage, taken, time, underWay } from './lane';
import { add, at, EACH, inLane, LANES, mul, pair, put, sub, wordOf } from './lanes';
import {
  control,
  CURVE,
  curve,
  enthalpy,
  flow,
  halfway,
  heater,
  heaterNode,
  heaters,
  liquidusAt,
  meltNode,
  melts,
  next,
  offset,
  perSlope,
  phase,
  slope,
  solidusAt,
  stays,
  temperature,
  waitsFor,
  wetted,
  wettedHalfway,
  wetting,
  wettings,
} from './layout';
import { follow, outdate } from './stage';

/* Phases of the solder, states of the heaters, and what they open: guessed, then corrected until they hold. */

const SOLID: i32 = 0;
const MUSHY: i32 = 1;
const LIQUID: i32 = 2;

const OFF: i32 = 0;
const BAND: i32 = 1;
const FULL: i32 = 2;

const STAYS: usize = 4 * EACH;

/** Whether something in lanes that count has come to the ends of where it stays, or beyond. */
function leaves(x: v128, bounds: usize, counts: v128): bool {
  const within = v128.and(f64x2.gt(x, at(bounds)), f64x2.lt(x, at(bounds + EACH)));
  return v128.any_true(v128.andnot(counts, within));
}

function curveOf(lump: usize, entry: usize): f64 {
  return load<f64>(lump + EACH * entry);
}

function meltAt(lump: usize, t: f64): i32 {
  if (t <= curveOf(lump, 0)) return SOLID;
  return t < curveOf(lump, 1) ? MUSHY : LIQUID;
}

function setPhase(lump: usize, node: usize, bounds: usize, to: i32): void {
  const s = curveOf(lump, 4 + to);
  store<f64>(slope + node, s);
  store<f64>(perSlope + node, 1 / s);
  store<f64>(offset + node, curveOf(lump, 7 + to));
  store<f64>(bounds, to == SOLID ? -Infinity : curveOf(lump, to - 1));
  store<f64>(bounds + EACH, to == LIQUID ? Infinity : curveOf(lump, to));
  store<f64>(bounds + 2 * EACH, to == SOLID ? -Infinity : curveOf(lump, to + 1));
  store<f64>(bounds + 3 * EACH, to == LIQUID ? Infinity : curveOf(lump, to + 2));
}

/** A lane as it begins: nothing melted further than its temperatures tell, everything as dry as it comes. */
export function beginMelting(lane: i32): void {
  const l = inLane(lane);
  for (let i = 0; i < melts; i++) {
    const o = EACH * <usize>i + l;
    store<f64>(halfway + o, 0);
    store<f64>(solidusAt + o, NaN);
    store<f64>(liquidusAt + o, NaN);
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2)) + l;
    const lump = curve + CURVE * <usize>i + l;
    const found = meltAt(lump, load<f64>(temperature + node));
    store<i32>(phase + 4 * <usize>(LANES * i + lane), found);
    setPhase(lump, node, stays + STAYS * <usize>i + l, found);
  }
  for (let i = 0; i < heaters; i++) store<i32>(control + 4 * <usize>(LANES * i + lane), BAND);
  for (let w = 0; w < wettings; w++) {
    const dry = load<f64>(wetting + 2 * EACH * <usize>w + l);
    store<f64>(wetted + EACH * <usize>w + l, dry);
    store<f64>(wettedHalfway + EACH * <usize>w + l, dry);
  }
  moved = true;
}

/** Where the solder's phases will likely be if its heat goes on flowing as it last did. */
export function guessPhases(lanes: i32, from: usize, rate: usize): void {
  let changed = false;
  for (let i = 0; i < melts; i++) {
    const at0 = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    const first = curve + CURVE * <usize>i;
    const phases = phase + 4 * <usize>(LANES * i);
    const bounds = stays + STAYS * <usize>i;
    const then = add(at(from + at0), mul(at(stage), at(rate + at0)));
    if (!leaves(then, bounds + 2 * EACH, at(underWay))) continue;
    for (let lane = 0; lane < LANES; lane++) {
      if (!(lanes & (1 << lane))) continue;
      const l = inLane(lane);
      const node = at0 + l;
      const lump = first + l;
      const h = load<f64>(from + node) + load<f64>(stage + l) * load<f64>(rate + node);
      const guess = h <= curveOf(lump, 2) ? SOLID : h < curveOf(lump, 3) ? MUSHY : LIQUID;
      const p = phases + wordOf(lane);
      if (load<i32>(p) == guess) continue;
      store<i32>(p, guess);
      setPhase(lump, node, bounds + l, guess);
      changed = true;
    }
  }
  if (changed) outdate();
}

/** Matches phases and heaters to the temperatures; the lanes in which any of them changed. */
export function correctGuess(lanes: i32): i32 {
  let changed = 0;
  for (let i = 0; i < melts; i++) {
    const at0 = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    const first = curve + CURVE * <usize>i;
    const phases = phase + 4 * <usize>(LANES * i);
    const bounds = stays + STAYS * <usize>i;
    if (!leaves(at(temperature + at0), bounds, at(underWay))) continue;
    for (let lane = 0; lane < LANES; lane++) {
      if (!(lanes & (1 << lane))) continue;
      const l = inLane(lane);
      const node = at0 + l;
      const lump = first + l;
      const found = meltAt(lump, load<f64>(temperature + node));
      const p = phases + wordOf(lane);
      const was = load<i32>(p);
      if (found == was) continue;
      // Never over the melting range in one correction: it is where Newton would cycle.
      const to = abs(found - was) == 2 ? MUSHY : found;
      store<i32>(p, to);
      setPhase(lump, node, bounds + l, to);
      changed |= 1 << lane;
    }
  }
  for (let i = 0; i < heaters; i++) {
    const node = <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    const h = heater + 3 * EACH * <usize>i;
    for (let lane = 0; lane < LANES; lane++) {
      if (!(lanes & (1 << lane))) continue;
      const l = inLane(lane);
      const wanted = load<f64>(h + EACH + l) * (load<f64>(h + l) - load<f64>(temperature + node + l));
      const state = wanted <= 0 ? OFF : wanted >= load<f64>(h + 2 * EACH + l) ? FULL : BAND;
      const p = control + 4 * <usize>(LANES * i + lane);
      if (load<i32>(p) == state) continue;
      store<i32>(p, state);
      changed |= 1 << lane;
    }
  }
  if (changed) outdate();
  return changed;
}

/** What a heater gives at a node in its state, beyond what the matrix holds of it. */
export function heaterLoad(index: i32, lane: i32): f64 {
  const h = heater + 3 * EACH * <usize>index + inLane(lane);
  const state = load<i32>(control + 4 * <usize>(LANES * index + lane));
  if (state == FULL) return load<f64>(h + 2 * EACH);
  return state == BAND ? load<f64>(h + EACH) * load<f64>(h) : 0;
}

let moved: bool = true;

/**
 * Conductances within a step are held as they will be in its middle, if heat goes on flowing as it does: held as they were at
 * its start, what a melt opens would open a step too late.
 */
export function foresee(): void {
  const length = at(taken);
  const half = mul(pair(0.5), length);
  const counts = at(underWay);
  for (let i = 0; i < melts; i++) {
    const c = curve + CURVE * <usize>i;
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    const h = at(enthalpy + node);
    const solidus = at(c + 2 * EACH);
    const span = sub(at(c + 3 * EACH), solidus);
    const now = shareOf(h, solidus, span);
    const then = shareOf(add(h, mul(length, at(flow + node))), solidus, span);
    note(halfway + EACH * <usize>i, mul(pair(0.5), add(now, then)), counts);
  }
  for (let w = 0; w < wettings; w++) {
    note(wettedHalfway + EACH * <usize>w, wettedAfter(w, half), counts);
  }

  if (!moved) return;
  follow(halfway, wettedHalfway);
  moved = false;
}

/** Liquid share of lumps with so much heat. */
function shareOf(h: v128, solidus: v128, span: v128): v128 {
  return f64x2.pmin(pair(1), f64x2.pmax(pair(0), f64x2.div(sub(h, solidus), span)));
}

function note(place: usize, value: v128, counts: v128): void {
  if (v128.any_true(v128.and(counts, f64x2.ne(value, at(place))))) moved = true;
  put(place, value);
}

/** What a wetting will let through after a time, with the melt it waits for as `foresee` takes it to be. */
function wettedAfter(index: i32, length: v128): v128 {
  const w = wetting + 2 * EACH * <usize>index;
  const lump = load<i32>(waitsFor + ((<usize>index) << 2));
  const melt = lump < 0 ? pair(1) : at(halfway + EACH * <usize>lump);
  const more = f64x2.div(mul(mul(sub(pair(1), at(w)), melt), length), at(w + EACH));
  return f64x2.pmin(pair(1), add(at(wetted + EACH * <usize>index), more));
}

/** What was wetted in the lanes whose step is kept. */
export function acceptWetting(): void {
  const length = at(taken);
  const keep = at(kept);
  for (let w = 0; w < wettings; w++) {
    const o = wetted + EACH * <usize>w;
    put(o, v128.bitselect(wettedAfter(w, length), at(o), keep));
  }
}

/** First crossings of solidus and liquidus, between enthalpies at both ends of the steps that are kept. */
export function noteCrossings(lanes: i32): void {
  for (let i = 0; i < melts; i++) {
    const at0 = <usize>load<i32>(meltNode + ((<usize>i) << 2));
    for (let lane = 0; lane < LANES; lane++) {
      if (!(lanes & (1 << lane))) continue;
      const l = inLane(lane);
      const o = EACH * <usize>i + l;
      const lump = curve + CURVE * <usize>i + l;
      const before = load<f64>(enthalpy + at0 + l);
      const after = load<f64>(next + at0 + l);
      cross(solidusAt + o, curveOf(lump, 2), before, after, l);
      cross(liquidusAt + o, curveOf(lump, 3), before, after, l);
    }
  }
}

function cross(into: usize, level: f64, before: f64, after: f64, l: usize): void {
  if (!isNaN(load<f64>(into)) || after < level) return;
  const since = before >= level ? 0 : (level - before) / (after - before);
  store<f64>(into, load<f64>(time + l) + load<f64>(taken + l) * since);
}
