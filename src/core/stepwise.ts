/** Drivers of computations that yield how far they are. */

/** Runs a computation to its end in one go. */
export function inOneGo<Result>(steps: Generator<unknown, Result, unknown>): Result {
  let next = steps.next();
  while (!next.done) next = steps.next();
  return next.value;
}

/** The same computation with each of its messages said another way. */
export function* relayed<Heard, Said, Result>(
  steps: Generator<Heard, Result, unknown>,
  say: (message: Heard) => Said,
): Generator<Said, Result, unknown> {
  let next = steps.next();
  while (!next.done) {
    yield say(next.value);
    next = steps.next();
  }
  return next.value;
}
