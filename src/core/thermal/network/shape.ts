import { recalledElimination, type Elimination } from './elimination';
import type { ThermalNetwork } from './network';

/** What of a network can change while it runs, and the elimination that keeps all of it in the tail. */
export interface Shape {
  readonly elimination: Elimination;
  /** First node that phases, melt or control can change; what lies before it is the head. */
  readonly firstVariable: number;
  /** Links whose conductance follows a melt or a wetting, by their place among the edges. */
  readonly variableEdges: readonly number[];
  /** Melting node (by its place in the network's list) at both ends of each link, or −1. */
  readonly edgeMelt: Int32Array;
  /** Wetting (by its place in the network's list) of each link, or −1. */
  readonly edgeWetting: Int32Array;
  /** Place among the melting nodes of what each wetting waits for, −1 where it begins at once. */
  readonly waitsFor: Int32Array;
  /** How many nodes face the air and are heated, then all of them and those that melt, in the network's order. */
  readonly listed: Int32Array;
}

export function shapeOf(network: ThermalNetwork): Shape {
  const known = shapes.get(network);
  if (known) return known;
  const shape = shapeIn(network);
  shapes.set(network, shape);
  return shape;
}

const shapes = new WeakMap<ThermalNetwork, Shape>();

function shapeIn({ size, edges, melting, heaters, wettings, ambient }: ThermalNetwork): Shape {
  const meltOf = new Int32Array(size).fill(-1);
  melting.forEach((lump, index) => (meltOf[lump.node] = index));
  const edgeMelt = new Int32Array(2 * edges.length);
  edges.forEach((edge, i) => {
    edgeMelt[2 * i] = meltOf[edge.from]!;
    edgeMelt[2 * i + 1] = meltOf[edge.to]!;
  });
  const edgeWetting = new Int32Array(edges.length).fill(-1);
  wettings.forEach((wetting, w) => {
    for (const edge of wetting.edges) edgeWetting[edge] = w;
  });
  const variableEdges: number[] = [];
  let firstVariable = size;
  for (const { node } of heaters) firstVariable = Math.min(firstVariable, node);
  for (const { node } of melting) firstVariable = Math.min(firstVariable, node);
  edges.forEach((edge, i) => {
    if (edge.solid_W_K === edge.liquid_W_K && edgeWetting[i]! < 0) return;
    variableEdges.push(i);
    firstVariable = Math.min(firstVariable, edge.from, edge.to);
  });
  return {
    elimination: recalledElimination({ size, edges, split: firstVariable }),
    firstVariable,
    variableEdges,
    edgeMelt,
    edgeWetting,
    listed: Int32Array.of(
      ambient.length,
      heaters.length,
      ...[...ambient, ...heaters, ...melting].map(({ node }) => node),
    ),
    waitsFor: Int32Array.from(wettings, ({ waitsFor }) => (waitsFor === null ? -1 : meltOf[waitsFor]!)),
  };
}
