/*
 * Thermal networks of one shape side by side, one in each lane, each on a clock of its own: the same steps as
 * src/core/thermal/network/plain.ts takes, which is what it is held to.
 */
import { substituteBack, substituteForth } from './network/elimination';
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
  base,
  enthalpy,
  factor,
  flow,
  head,
  heater,
  heaterNode,
  heaters,
  inverse,
  loadFromHead,
  next,
  offset,
  perSlope,
  rate1,
  rate2,
  size,
  slope,
  source,
  split,
  stage1,
  temperature,
} from './network/layout';
import {
  acceptWetting,
  beginMelting,
  correctGuess,
  foresee,
  guessPhases,
  heaterLoad,
  noteCrossings,
  reach,
} from './network/melting';
import { forget, prepare } from './network/stage';

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
  const settled = tryStep(maxPasses);
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

/** A step is of second order: halved as often as its error asks for, so that lengths met again stay alike. */
function shrink(over: f64): f64 {
  let by = 0.5;
  for (let left = over; left > 4 && by > 1.0 / 64; left /= 4) by *= 0.5;
  return by;
}

/** Far from its tolerance a step is doubled twice: of second order, its error then grows sixteenfold. */
function growth(part: f64): f64 {
  return part < 1.0 / 24 ? 4 : part < 1.0 / 3 ? 2 : 1;
}

/** Takes a step into `temperature` and `next`, its error estimates into `error`; the lanes whose guesses came to hold. */
function tryStep(maxPasses: i32): i32 {
  const all = EACH * <usize>size;
  guessPhases(live, enthalpy, flow);
  let settled = solveStage(enthalpy, maxPasses);
  const t = temperature;
  const h = enthalpy;
  const b = base;
  const first = rate1;
  const straight = slope;
  const lifted = offset;
  const noted = stage1;
  const over = at(perStage);
  const left = at(rest);
  for (let o: usize = 0; o < all; o += EACH) {
    const now = at(t + o);
    const held = at(h + o);
    const rate = mul(sub(add(at(lifted + o), mul(at(straight + o), now)), held), over);
    put(noted + o, now);
    put(first + o, rate);
    put(b + o, add(held, mul(left, rate)));
  }

  guessPhases(live, base, rate1);
  settled &= solveStage(base, maxPasses);
  const second = rate2;
  const then = next;
  const inverted = perSlope;
  let worst = pair(0);
  let all_K = pair(0);
  for (let o: usize = 0; o < all; o += EACH) {
    const held = add(at(lifted + o), mul(at(straight + o), at(t + o)));
    const rate = mul(sub(held, at(b + o)), over);
    put(then + o, held);
    put(second + o, rate);
    const off = mul(f64x2.abs(mul(left, sub(at(first + o), rate))), at(inverted + o));
    worst = f64x2.pmax(worst, off);
    all_K = add(all_K, off);
  }
  // What is not a number is never the larger one, but it is of the sum.
  put(error, add(worst, mul(all_K, pair(0))));
  return settled;
}

/** Solves `H(T) + stage·(K T − q) = from` for T; the lanes whose phases and control came to hold. */
function solveStage(from: usize, maxPasses: i32): i32 {
  let open = live;
  for (let pass = 0; pass < maxPasses; pass++) {
    prepare(open);
    if (pass == 0) eliminateHead(from);
    layTailLoad(from);
    substituteForth(factor, split, size);
    substituteBack(factor, inverse, split, size);
    for (let lane = 0; lane < LANES; lane++) {
      if (!(open & (1 << lane))) continue;
      const count = solves + wordOf(lane);
      store<i32>(count, load<i32>(count) + 1);
    }
    open = correctGuess(open);
    if (!open) break;
  }
  substituteBack(headFactor(), head, 0, split);
  return live & ~open;
}

/** The head's entries lie after its own inverses, where a factor has them after all diagonals. */
function headFactor(): usize {
  return head - EACH * <usize>(size - split);
}

function eliminateHead(from: usize): void {
  const t = temperature;
  const q = source;
  const first = EACH * <usize>split;
  const over = at(perStage);
  // Nothing of the head melts: it has no offset.
  for (let o: usize = 0; o < first; o += EACH) put(t + o, add(mul(at(from + o), over), at(q + o)));
  const all = EACH * <usize>size;
  const none = pair(0);
  for (let o = first; o < all; o += EACH) put(t + o, none);
  substituteForth(headFactor(), 0, split);
  const into = loadFromHead;
  for (let o = first; o < all; o += EACH) put(into + o, at(t + o));
}

function layTailLoad(from: usize): void {
  const t = temperature;
  const q = source;
  const more = loadFromHead;
  const lifted = offset;
  const all = EACH * <usize>size;
  const over = at(perStage);
  for (let o = EACH * <usize>split; o < all; o += EACH) {
    put(t + o, add(add(mul(sub(at(from + o), at(lifted + o)), over), at(q + o)), at(more + o)));
  }

  // Heaters are of the tail.
  for (let i = 0; i < heaters; i++) {
    const node = t + <usize>load<i32>(heaterNode + ((<usize>i) << 2));
    for (let lane = 0; lane < LANES; lane++) {
      const here = node + inLane(lane);
      store<f64>(here, load<f64>(here) + heaterLoad(i, lane));
    }
  }
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
