/** A seeded stream of uniform numbers in [0, 1): the 32-bit "mulberry" generator, public domain. */
export function uniformStream(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * Latin hypercube: `count` points in the unit cube of `dimensions`, each dimension cut into `count`
 * equal strata that are each hit once (McKay, Beckman and Conover, Technometrics 21, 1979).
 */
export function latinHypercube(count: number, dimensions: number, seed: number): Float64Array[] {
  const next = uniformStream(seed);
  const points = Array.from({ length: count }, () => new Float64Array(dimensions));
  for (let d = 0; d < dimensions; d++) {
    const order = Array.from({ length: count }, (_, i) => i);
    for (let i = count - 1; i > 0; i--) {
      const j = Math.floor(next() * (i + 1));
      [order[i], order[j]] = [order[j]!, order[i]!];
    }
    points.forEach((point, i) => {
      point[d] = (order[i]! + next()) / count;
    });
  }
  return points;
}
