import { substituteBack, substituteForth } from './elimination';
import { error, perStage, rest, solves } from './lane';
import { add, at, EACH, inLane, LANES, mul, pair, put, sub, wordOf } from './lanes';
import {
  base,
  enthalpy,
  factor,
  flow,
  head,
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
} from './layout';
import { correctGuess, guessPhases, heaterLoad } from './melting';
import { prepare } from './stage';

/* One try of a step, in both of its stages. */

/** Takes a step into `temperature` and `next`, its error estimates into `error`; the lanes whose guesses came to hold. */
export function tryStep(live: i32, maxPasses: i32): i32 {
  const all = EACH * <usize>size;
  guessPhases(live, enthalpy, flow);
  let settled = solveStage(live, enthalpy, maxPasses);
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
  settled &= solveStage(live, base, maxPasses);
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
function solveStage(live: i32, from: usize, maxPasses: i32): i32 {
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
