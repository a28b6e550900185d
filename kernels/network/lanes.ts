/** Lanes that step at once: those of one vector. Four in two gained a tenth at most, as they fall out of the nearest cache. */
export const LANES: i32 = 2;
/** Bytes of one number of every lane. */
export const EACH: usize = 16;

export function pair(x: f64): v128 {
  return f64x2.splat(x);
}
export function at(p: usize): v128 {
  return v128.load(p);
}
export function put(p: usize, x: v128): void {
  v128.store(p, x);
}
export function add(a: v128, b: v128): v128 {
  return f64x2.add(a, b);
}
export function sub(a: v128, b: v128): v128 {
  return f64x2.sub(a, b);
}
export function mul(a: v128, b: v128): v128 {
  return f64x2.mul(a, b);
}

/** Where a lane's number lies within the numbers of all, and where its whole number does. */
export function inLane(lane: i32): usize {
  return (<usize>lane) << 3;
}
export function wordOf(lane: i32): usize {
  return (<usize>lane) << 2;
}
