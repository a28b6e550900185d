/** The run length of a binary cumulative sum from its Markov chain: what simulations are held against. */

/** More cells than this tell nothing more. */
const MOST_CELLS = 4000;

/**
 * Results until the sum passes a decision interval, on the average, where that share of them is bad: a Markov chain (Brook and
 * Evans, Biometrika 59, 1972) whose cells are one good result wide, so that a good one leads a cell down and a bad one a whole
 * number of them up (Reynolds and Stoumbos, J. Quality Technology 31, 1999).
 */
export function averageRunLength(share: number, usual: number, worse: number, interval: number): number {
  const down = Math.log((1 - usual) / (1 - worse));
  const up = Math.max(1, Math.round(Math.log(worse / usual) / down));
  const cells = Math.min(MOST_CELLS, Math.max(1, Math.ceil(interval / down)));
  const good = 1 - share;
  // Runs from each cell by those from the cells above it: row by row from the lowest, which only a bad result leaves.
  const [constant, above] = [new Float64Array(cells + 1), new Float64Array((cells + 1) * up)];
  constant[0] = 1 / share;
  above[up - 1] = 1;
  for (let i = 1; i <= cells; i++) {
    const [before, own] = [(i - 1) * up, i * up];
    const back = 1 - good * above[before]!;
    constant[i] = (1 + good * constant[i - 1]!) / back;
    for (let k = 0; k < up - 1; k++) above[own + k] = (good * above[before + k + 1]!) / back;
    above[own + up - 1] = share / back;
  }
  const runs = new Float64Array(cells + 1 + up);
  for (let i = cells; i >= 0; i--) {
    let sum = constant[i]!;
    for (let k = 0; k < up; k++) sum += above[i * up + k]! * runs[i + 1 + k]!;
    runs[i] = sum;
  }
  return runs[0]!;
}

/** The decision interval at which the usual share gives one false alarm in so many results, to a hundredth of itself. */
export function intervalFor(usual: number, worse: number, results: number): number {
  let [low, high] = [0.1, 12];
  while (high / low > 1.01) {
    const middle = Math.sqrt(low * high);
    if (averageRunLength(usual, usual, worse, middle) < results) low = middle;
    else high = middle;
  }
  return high;
}
