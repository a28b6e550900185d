/*
 * Thermal networks of one shape side by side, one in each lane, each on a clock of its own: the same steps as
 * src/core/thermal/network/plainLane.ts takes, which is what it is held to.
 */

import {
  duration,
  error,
  firstStep,
  kept,
  longest,
  perStage,
  rest,
  solves,
  stage,
  step,
  steps,
  taken,
  time,
  tolerance,
  underWay,
} from './network/lane';
import { add, at, EACH, inLane, LANES, mul, pair, put, sub, wordOf } from './network/lanes';
import {
  account,
  ambient,
  ambientNode,
  ambients,
  enthalpy,
  flow,
  heater,
  heaterNode,
  heaters,
  next,
  offset,
  perSlope,
  rate2,
  size,
  slope,
  stage1,
  temperature,
} from './network/layout';
import { acceptWetting, beginMelting, foresee, noteCrossings } from './network/melting';
import { tryStep } from './network/solving';
import { forget } from './network/stage';
import { growth, reach, shrink } from './network/stepLength';

export { addressOf, layOut } from './network/layout';

/** Alexander's two-stage, stiffly accurate, L-stable SDIRK (SIAM J. Numer. Anal. 14, 1977). */
const GAMMA: f64 = 1.0 - Math.SQRT1_2;

/** Lanes on their way, bit by bit. */
let live: i32 = 0;

/** Begins a lane at the temperatures that were laid. */
export function begin(lane: i32, first: f64, most: f64, allowed: f64, until: f64): void {
  const l = inLane(lane);
  forget(lane);
  store<f64>(time + l, 0);
  store<f64>(step + l, first);
  store<f64>(firstStep + l, first);
  store<f64>(longest + l, most);
  store<f64>(tolerance + l, allowed);
  store<f64>(duration + l, until);
  store<i32>(steps + wordOf(lane), 0);
  store<i32>(solves + wordOf(lane), 0);
  for (let i = 0; i < size; i++) {
    const o = EACH * <usize>i + l;
    store<f64>(perSlope + o, 1 / load<f64>(slope + o));
    store<f64>(offset + o, 0);
    store<f64>(flow + o, 0);
  }
  beginMelting(lane);
  let stored: f64 = 0;
  for (let i = 0; i < size; i++) {
    const o = EACH * <usize>i + l;
    const h = load<f64>(offset + o) + load<f64>(slope + o) * load<f64>(temperature + o);
    store<f64>(enthalpy + o, h);
    stored += h;
  }
  store<f64>(account + l, 0);
  store<f64>(account + EACH + l, 0);
  store<f64>(account + 2 * EACH + l, stored);
  live |= 1 << lane;
  store<u64>(underWay + l, u64.MAX_VALUE);
}

/** Takes a lane off. */
export function end(lane: i32): void {
  live &= ~(1 << lane);
  store<u64>(underWay + inLane(lane), 0);
}

export function timeOf(lane: i32): f64 {
  return load<f64>(time + inLane(lane));
}
export function stepOf(lane: i32): f64 {
  return load<f64>(taken + inLane(lane));
}
export function stepsOf(lane: i32): i32 {
  return load<i32>(steps + wordOf(lane));
}
export function solvesOf(lane: i32): i32 {
  return load<i32>(solves + wordOf(lane));
}

/**
 * Tries one step in every lane that is on its way. Bit by bit those that took it; 256 times over, those that would not
 * converge. The rest tries again with a shorter one.
 */
export function advance(minStep: f64, maxPasses: i32, pastPhase: f64): i32 {
  for (let lane = 0; lane < LANES; lane++) {
    const l = inLane(lane);
    if (!(live & (1 << lane))) continue;
    const left = load<f64>(duration + l) - load<f64>(time + l);
    const length = min(min(load<f64>(step + l), reach(lane, pastPhase)), left);
    store<f64>(taken + l, length);
    store<f64>(stage + l, GAMMA * length);
    store<f64>(perStage + l, 1 / (GAMMA * length));
    store<f64>(rest + l, (1 - GAMMA) * length);
  }
  foresee();
  const settled = tryStep(live, maxPasses);
  let took = 0;
  let failed = 0;
  for (let lane = 0; lane < LANES; lane++) {
    const bit = 1 << lane;
    const l = inLane(lane);
    store<u64>(kept + l, 0);
    if (!(live & bit)) continue;
    const off = settled & bit ? load<f64>(error + l) : Infinity;
    const allowed = load<f64>(tolerance + l);
    const length = load<f64>(taken + l);
    if (off > 2 * allowed && length > minStep) {
      store<f64>(step + l, length * shrink(off / (2 * allowed)));
    } else if (!isFinite(off)) {
      failed |= bit;
    } else {
      took |= bit;
      store<u64>(kept + l, u64.MAX_VALUE);
      store<f64>(step + l, min(growth(off / allowed) * load<f64>(step + l), load<f64>(longest + l)));
    }
  }
  if (took) accept(took);
  return took | (failed << 8);
}

/** What was given and lost, what melted, and the heat held, in the lanes that keep their step. */
function accept(took: i32): void {
  noteCrossings(took);
  const keep = at(kept);
  const first = at(rest);
  const second = mul(pair(GAMMA), at(taken));
  let given = pair(0);
  for (let i = 0; i < heaters; i++) {
    const node = <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    const h = heater + 3 * EACH * <usize>i;
    const before = mul(first, powerAt(h, at(stage1 + node)));
    given = add(given, add(before, mul(second, powerAt(h, at(temperature + node)))));
  }
  let lost = pair(0);
  for (let i = 0; i < ambients; i++) {
    const node = <usize>load<i32>(ambientNode + ((<usize>i) << 2));
    const a = ambient + 2 * EACH * <usize>i;
    const air = at(a + EACH);
    const excess = mul(first, sub(at(stage1 + node), air));
    lost = add(lost, mul(at(a), add(excess, mul(second, sub(at(temperature + node), air)))));
  }
  put(account, add(at(account), v128.and(given, keep)));
  put(account + EACH, add(at(account + EACH), v128.and(lost, keep)));
  const all = EACH * <usize>size;
  const h = enthalpy;
  const then = next;
  const takes = flow;
  const rate = rate2;
  for (let o: usize = 0; o < all; o += EACH) {
    put(h + o, v128.bitselect(at(then + o), at(h + o), keep));
    put(takes + o, v128.bitselect(at(rate + o), at(takes + o), keep));
  }

  acceptWetting();
  for (let lane = 0; lane < LANES; lane++) {
    if (!(took & (1 << lane))) continue;
    const l = inLane(lane);
    const count = steps + wordOf(lane);
    store<f64>(time + l, load<f64>(time + l) + load<f64>(taken + l));
    store<i32>(count, load<i32>(count) + 1);
  }
}

function powerAt(h: usize, t: v128): v128 {
  return f64x2.pmin(at(h + 2 * EACH), f64x2.pmax(pair(0), mul(at(h + EACH), sub(at(h), t))));
}
