import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eliminationOf } from './elimination';
import { NetworkBuilder } from './network';
import { shapeOf } from './shape';
import { Factor } from './factor';

type Link = readonly [number, number, number];

/** A random symmetric, diagonally dominant matrix with few links, a split and a right-hand side. */
const systems = fc
  .tuple(
    fc.integer({ min: 2, max: 24 }),
    fc.array(fc.tuple(fc.nat(23), fc.nat(23), fc.double({ min: 0.01, max: 5, noNaN: true })), {
      maxLength: 40,
    }),
    fc.double({ min: 0, max: 1, noNaN: true }),
  )
  .map(([size, raw, share]) => {
    const links = raw.map(([a, b, g]): Link => [a % size, b % size, g]).filter(([a, b]) => a !== b);
    const rhs = Float64Array.from({ length: size }, (_, i) => Math.sin(i + 1));
    return { size, split: Math.round(share * size), links, rhs };
  });

/** A conduction matrix with one on each diagonal; lays the same into `factor`. */
function fill(factor: Factor, links: readonly Link[]): number[][] {
  const { size, pivot, edgeAt } = factor.elimination;
  const dense = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (_, j) => (i === j ? 1 : 0)),
  );
  factor.values.fill(0);
  for (let i = 0; i < size; i++) factor.values[i] = 1;
  links.forEach(([a, b, g], i) => {
    factor.values[edgeAt[i]!]! -= g;
    factor.values[pivot[a]!]! += g;
    factor.values[pivot[b]!]! += g;
    dense[a]![b]! -= g;
    dense[b]![a]! -= g;
    dense[a]![a]! += g;
    dense[b]![b]! += g;
  });
  return dense;
}

const linksOf = (size: number, split: number, links: readonly Link[]) => ({
  size,
  split,
  edges: links.map(([from, to]) => ({ from, to })),
});

function factorOf(size: number, split: number, links: readonly Link[]): Factor {
  const elimination = eliminationOf(linksOf(size, split, links));
  return new Factor(elimination, new Float64Array(size + elimination.row.length));
}

function solve(factor: Factor, rhs: Float64Array): Float64Array {
  const x = Float64Array.from(rhs);
  const { split } = factor.elimination;
  factor.eliminateHead(x);
  x.set(rhs.subarray(split), split);
  factor.solveTail(x);
  factor.solveHead(x);
  return x;
}

const residual = (dense: number[][], x: Float64Array, rhs: Float64Array): number =>
  Math.max(...dense.map((row, i) => Math.abs(row.reduce((sum, v, j) => sum + v * x[j]!, 0) - rhs[i]!)));

describe('Factor', () => {
  it('solves random sparse systems: A x = b to rounding, wherever head and tail part (seeded)', () => {
    fc.assert(
      fc.property(systems, ({ size, split, links, rhs }) => {
        const factor = factorOf(size, split, links);
        const dense = fill(factor, links);
        factor.factorise();
        expect(residual(dense, solve(factor, rhs), rhs)).toBeLessThan(1e-11);
      }),
      { seed: 7, numRuns: 300 },
    );
  });

  it('factors a changed tail alone to the same answer (seeded)', () => {
    fc.assert(
      fc.property(systems, ({ size, split, links, rhs }) => {
        fc.pre(split < size);
        const factor = factorOf(size, split, links);
        const dense = fill(factor, links);
        factor.factorise();
        factor.values[factor.elimination.pivot[size - 1]!]! += 2;
        dense[size - 1]![size - 1]! += 2;
        factor.factoriseTail();
        expect(residual(dense, solve(factor, rhs), rhs)).toBeLessThan(1e-11);
      }),
      { seed: 8, numRuns: 200 },
    );
  });

  it('may solve a tail again with another load on the same eliminated head', () => {
    const links: Link[] = [
      [0, 1, 1],
      [1, 2, 2],
      [2, 3, 3],
    ];
    const factor = factorOf(4, 2, links);
    const dense = fill(factor, links);
    factor.factorise();
    const x = Float64Array.of(1, 0, -1, 2);
    factor.eliminateHead(x);
    x.set([-1, 2], 2);
    factor.solveTail(x);
    x.set([5, -4], 2);
    factor.solveTail(x);
    factor.solveHead(x);
    expect(residual(dense, x, Float64Array.of(1, 0, 5, -4))).toBeLessThan(1e-12);
  });
});

describe('elimination', () => {
  it('of a chain makes no fill: one entry a pivot', () => {
    const chain = Array.from({ length: 9 }, (_, i): Link => [i, i + 1, 1]);
    expect(eliminationOf(linksOf(10, 0, chain)).row).toHaveLength(9);
  });

  it('of a star takes the leaves first, whatever its centre is numbered', () => {
    const star = Array.from({ length: 9 }, (_, i): Link => [0, i + 1, 1]);
    const found = eliminationOf(linksOf(10, 0, star));
    expect(found.pivot[0]).toBeGreaterThanOrEqual(8);
    expect(found.row).toHaveLength(9);
  });
});

describe('the shape of a network', () => {
  const pair = (link_W_K: number, melted_W_K = link_W_K, heated = 1) => {
    const net = new NetworkBuilder();
    const nodes = [net.node(1, 300), net.node(2, 300), net.node(1, 300)] as const;
    net.link(nodes[0], nodes[1], link_W_K);
    net.link(nodes[1], nodes[2], link_W_K, melted_W_K);
    net.heater({ node: nodes[heated]!, setpoint_K: 400, gain_W_K: 1, limit_W: 10 });
    return net.done();
  };

  it('is one for all that differ in numbers alone', () => {
    expect(shapeOf(pair(3))).toBe(shapeOf(pair(1)));
  });

  it('is another where a link may change, or another node is heated', () => {
    const plain = shapeOf(pair(1));
    expect(shapeOf(pair(1, 2))).not.toBe(plain);
    expect(shapeOf(pair(1, 1, 2))).not.toBe(plain);
    expect(shapeOf(pair(1))).toBe(plain);
  });
});
