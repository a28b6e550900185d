import { eliminationOf, type Elimination } from './elimination';
import type { Edge, ThermalNetwork } from './network';

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
}

/** Networks that differ in numbers alone share one shape: draws of one joint, and like joints of a plan. */
export function shapeOf(network: ThermalNetwork): Shape {
  const known = shapes.get(network);
  if (known) return known;
  const at = recent.findIndex((one) => sameStructure(one.network, network));
  const found = at < 0 ? { network, shape: shapeIn(network) } : recent[at]!;
  if (at !== 0) {
    if (at > 0) recent.splice(at, 1);
    recent.unshift(found);
    recent.length = Math.min(recent.length, KEPT);
  }
  shapes.set(network, found.shape);
  return found.shape;
}

const shapes = new WeakMap<ThermalNetwork, Shape>();
/** Shapes met lately, each with a network of it. */
const recent: { readonly network: ThermalNetwork; readonly shape: Shape }[] = [];
const KEPT = 8;

function sameStructure(a: ThermalNetwork, b: ThermalNetwork): boolean {
  return (
    a.size === b.size &&
    every(a.edges, b.edges, (x, y) => x.from === y.from && x.to === y.to && isFixed(x) === isFixed(y)) &&
    every(a.ambient, b.ambient, atOneNode) &&
    every(a.heaters, b.heaters, atOneNode) &&
    every(a.melting, b.melting, atOneNode) &&
    every(a.wettings, b.wettings, (x, y) => x.waitsFor === y.waitsFor && every(x.edges, y.edges, Object.is))
  );
}

function every<T>(a: readonly T[], b: readonly T[], alike: (x: T, y: T) => boolean): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!alike(a[i]!, b[i]!)) return false;
  return true;
}

const isFixed = (edge: Edge): boolean => edge.solid_W_K === edge.liquid_W_K;

const atOneNode = (x: { readonly node: number }, y: { readonly node: number }): boolean => x.node === y.node;

function shapeIn({ size, edges, melting, heaters, wettings }: ThermalNetwork): Shape {
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
    if (isFixed(edge) && edgeWetting[i]! < 0) return;
    variableEdges.push(i);
    firstVariable = Math.min(firstVariable, edge.from, edge.to);
  });
  return {
    elimination: eliminationOf({ size, edges, split: firstVariable }),
    firstVariable,
    variableEdges,
    edgeMelt,
    edgeWetting,
    waitsFor: Int32Array.from(wettings, ({ waitsFor }) => (waitsFor === null ? -1 : meltOf[waitsFor]!)),
  };
}
