import { firstStep, longest } from './lane';
import { EACH, inLane } from './lanes';
import { CURVE, curve, enthalpy, flow, meltNode, melts } from './layout';

/* How long steps are: the first one and its doubles, so that lengths met again stay alike. */

/** What is left of a step that was so many times too far off: of second order, it is halved as often as its error asks for. */
export function shrink(over: f64): f64 {
  let by = 0.5;
  for (let left = over; left > 4 && by > 1.0 / 64; left /= 4) by *= 0.5;
  return by;
}

/** By how much a step grows whose error is so large a part of its tolerance: far below it is doubled twice. */
export function growth(part: f64): f64 {
  return part < 1.0 / 24 ? 4 : part < 1.0 / 3 ? 2 : 1;
}

/**
 * How far a lane's next step may go: a lump that begins or ends melting bends the run, so none is tried that goes far past
 * the next one, to the length met that is nearest to `past` times the way there as heat flows now.
 */
export function reach(lane: i32, past: f64): f64 {
  const l = inLane(lane);
  let least: f64 = Infinity;
  for (let i = 0; i < melts; i++) {
    const lump = curve + CURVE * <usize>i + l;
    const node = <usize>load<i32>(meltNode + ((<usize>i) << 2)) + l;
    const h = load<f64>(enthalpy + node);
    const w = load<f64>(flow + node);
    const solidus = load<f64>(lump + 2 * EACH);
    const liquidus = load<f64>(lump + 3 * EACH);
    let aim = h > liquidus ? liquidus : solidus;
    if (w > 0) aim = h < solidus ? solidus : h < liquidus ? liquidus : load<f64>(lump + 10 * EACH);
    const way = (aim - h) / w;
    if (way > 0) least = min(least, way);
  }
  const aim = past * least;
  const most = load<f64>(longest + l);
  if (!(aim < most)) return Infinity;
  let length = min(load<f64>(firstStep + l), most);
  while (length * Math.SQRT2 < aim) length *= 2;
  return length;
}
