import type { Elimination } from './elimination';
import { enthalpyCurve } from './enthalpy';
import type { ThermalNetwork } from './network';
import { SOLVER } from './settings';
import { shapeOf, type Shape } from './shape';

/** Exports of kernels/network.ts. */
export interface Kernel {
  readonly memory: WebAssembly.Memory;
  layOut(
    nodes: number,
    head: number,
    entries: number,
    updates: number,
    variableEdges: number,
    lumps: number,
    heated: number,
    wets: number,
    aired: number,
  ): void;
  addressOf(array: number): number;
  begin(firstStep: number): void;
  /** 1 where a step was taken, 0 where none converges. */
  advance(
    duration: number,
    tolerance: number,
    maxStep: number,
    minStep: number,
    maxPasses: number,
    lanes: number,
  ): number;
  timeNow(): number;
  stepTaken(): number;
  stepsTaken(): number;
  solved(): number;
}

/** Arrays of the kernel, by the number that `addressOf` knows them by. */
export const ARRAYS = {
  columnAt: 0,
  row: 1,
  updateAt: 2,
  update: 3,
  edge: 4,
  meltNode: 5,
  heaterNode: 6,
  waitsFor: 7,
  ambientNode: 8,
  fixedValues: 9,
  fixedConduction: 10,
  edgeSolid: 11,
  edgeLiquid: 12,
  slope: 13,
  temperature: 14,
  source: 15,
  curve: 16,
  wetting: 17,
  heater: 18,
  ambient: 19,
  solidusAt: 20,
  liquidusAt: 21,
  account: 22,
  columnOf: 23,
  enthalpy: 24,
} as const;

export const LANES = 2;
/** A pivot or a place as bytes: two numbers of eight. */
const PAIR = 4;
/** Bytes of one update. */
const TRIPLE = 12;

const asIs = (value: number): number => value;

/** The column of each entry, as bytes of its pivot. */
function columnsOf({ size, columnAt, row }: Elimination): Int32Array {
  const columns = new Int32Array(row.length);
  for (let p = 0; p < size; p++) columns.fill(p << PAIR, columnAt[p], columnAt[p + 1]);
  return columns;
}

/** Each update of a column as the place it falls on, its scaled entry, and its other entry by its place in the column. */
function triplesOf({ size, columnAt, update }: Elimination): Int32Array {
  const triples = new Int32Array(3 * update.length);
  let u = 0;
  for (let p = 0; p < size; p++) {
    const [first, end] = [columnAt[p]!, columnAt[p + 1]!];
    for (let a = end - 1; a >= first; a--) {
      for (let b = first; b <= a; b++, u++) {
        triples[3 * u] = update[u]! << PAIR;
        triples[3 * u + 1] = (size + a) << PAIR;
        triples[3 * u + 2] = (b - first) << PAIR;
      }
    }
  }
  return triples;
}

/** What lies in the kernel now: a shape met again is not laid again. */
let laid: { readonly elimination: Elimination; readonly counts: string } | null = null;

/** The kernel's numbers, and where its temperatures begin among them. */
export interface Laid {
  readonly numbers: Float64Array;
  readonly temperatureAt: number;
}

/** Lays two networks of one shape into the kernel. */
export function lay(kernel: Kernel, shape: Shape, networks: readonly [ThermalNetwork, ThermalNetwork]): Laid {
  layPlaces(kernel, shape, networks[0]);
  const numbers = new Float64Array(kernel.memory.buffer);
  networks.forEach((network, lane) => layLane(kernel, numbers, shape, network, lane));
  return { numbers, temperatureAt: kernel.addressOf(ARRAYS.temperature) >> 3 };
}

/** Everything that is a whole number: the elimination, and what each link and lump belongs to. */
function layPlaces(kernel: Kernel, shape: Shape, network: ThermalNetwork): void {
  const { elimination, variableEdges, edgeMelt, edgeWetting, waitsFor } = shape;
  const { edges, melting, heaters, wettings, ambient } = network;
  const { size, split, row, update, columnAt, updateAt, pivot, edgeAt } = elimination;
  const counts = [variableEdges, melting, heaters, wettings, ambient].map(({ length }) => length) as [
    number,
    number,
    number,
    number,
    number,
  ];
  const known = laid?.elimination === elimination && laid.counts === counts.join(' ');
  if (!known) kernel.layOut(size, split, row.length, update.length, ...counts);
  const whole = new Int32Array(kernel.memory.buffer);
  const put = (array: number, of: ArrayLike<number>, to: (value: number) => number): void => {
    const from = kernel.addressOf(array) >> 2;
    for (let i = 0; i < of.length; i++) whole[from + i] = to(of[i]!);
  };
  if (!known) {
    put(ARRAYS.columnAt, columnAt, (entry) => (size + entry) << PAIR);
    put(ARRAYS.row, row, (p) => p << PAIR);
    put(ARRAYS.columnOf, columnsOf(elimination), asIs);
    put(ARRAYS.updateAt, updateAt, (at) => at * TRIPLE);
    put(ARRAYS.update, triplesOf(elimination), asIs);
    laid = { elimination, counts: counts.join(' ') };
  }
  const nodesOf = (list: readonly { readonly node: number }[]) =>
    list.map(({ node }) => pivot[node]! << PAIR);
  put(
    ARRAYS.edge,
    variableEdges.flatMap((e) => [
      pivot[edges[e]!.from]! << PAIR,
      pivot[edges[e]!.to]! << PAIR,
      edgeAt[e]! << PAIR,
      edgeMelt[2 * e]!,
      edgeMelt[2 * e + 1]!,
      edgeWetting[e]!,
    ]),
    asIs,
  );
  put(ARRAYS.meltNode, nodesOf(melting), asIs);
  put(ARRAYS.heaterNode, nodesOf(heaters), asIs);
  put(ARRAYS.ambientNode, nodesOf(ambient), asIs);
  put(ARRAYS.waitsFor, waitsFor, asIs);
}

/** One network's numbers. */
function layLane(
  kernel: Kernel,
  numbers: Float64Array,
  { elimination, variableEdges }: Shape,
  network: ThermalNetwork,
  lane: number,
): void {
  const { pivot, edgeAt, row } = elimination;
  const { size, edges, ambient, melting, heaters, wettings, capacity_J_K, initial_K } = network;
  const array = (id: number) => {
    const from = (kernel.addressOf(id) >> 3) + lane;
    return {
      clear: (count: number): void => {
        for (let i = 0; i < count; i++) numbers[from + LANES * i] = 0;
      },
      set: (i: number, value: number): void => void (numbers[from + LANES * i] = value),
      add: (i: number, value: number): void => void (numbers[from + LANES * i]! += value),
    };
  };
  const [values, conduction, source] = [
    array(ARRAYS.fixedValues),
    array(ARRAYS.fixedConduction),
    array(ARRAYS.source),
  ];
  values.clear(size + row.length);
  conduction.clear(size);
  source.clear(size);
  const variable = new Uint8Array(edges.length);
  for (const e of variableEdges) variable[e] = 1;
  edges.forEach(({ from, to, solid_W_K }, e) => {
    if (variable[e]) return;
    values.add(edgeAt[e]!, -solid_W_K);
    conduction.add(pivot[from]!, solid_W_K);
    conduction.add(pivot[to]!, solid_W_K);
  });
  const air = array(ARRAYS.ambient);
  ambient.forEach(({ node, conductance_W_K, temperature_K }, i) => {
    conduction.add(pivot[node]!, conductance_W_K);
    source.add(pivot[node]!, conductance_W_K * temperature_K);
    air.set(2 * i, conductance_W_K);
    air.set(2 * i + 1, temperature_K);
  });
  const [solid, liquid] = [array(ARRAYS.edgeSolid), array(ARRAYS.edgeLiquid)];
  variableEdges.forEach((e, i) => {
    solid.set(i, edges[e]!.solid_W_K);
    liquid.set(i, edges[e]!.liquid_W_K);
  });
  const [slope, temperature] = [array(ARRAYS.slope), array(ARRAYS.temperature)];
  for (let node = 0; node < size; node++) {
    slope.set(pivot[node]!, capacity_J_K[node]!);
    temperature.set(pivot[node]!, initial_K[node]!);
  }
  const curves = array(ARRAYS.curve);
  melting.forEach((lump, i) => {
    const c = enthalpyCurve(lump, SOLVER.eutecticSmear_K);
    const all = [c.solidus_K, c.liquidus_K, c.solidus_J, c.liquidus_J, ...c.slope, ...c.offset];
    all.forEach((value, k) => curves.set(all.length * i + k, value));
  });
  const wet = array(ARRAYS.wetting);
  wettings.forEach(({ dryShare, over_s }, i) => {
    wet.set(2 * i, dryShare);
    wet.set(2 * i + 1, over_s);
  });
  const heat = array(ARRAYS.heater);
  heaters.forEach(({ setpoint_K, gain_W_K, limit_W }, i) => {
    heat.set(3 * i, setpoint_K);
    heat.set(3 * i + 1, gain_W_K);
    heat.set(3 * i + 2, limit_W);
  });
}

/** Whether two networks have the same links, lumps and heaters, whatever their numbers. */
export function isAlike(a: ThermalNetwork, b: ThermalNetwork): boolean {
  const [one, other] = [shapeOf(a), shapeOf(b)];
  const nodes = ({ ambient, heaters, melting }: ThermalNetwork): number[] =>
    [...ambient, ...heaters, ...melting].map(({ node }) => node);
  return (
    one.elimination === other.elimination &&
    same(one.variableEdges, other.variableEdges) &&
    same(one.edgeMelt, other.edgeMelt) &&
    same(one.edgeWetting, other.edgeWetting) &&
    same(one.waitsFor, other.waitsFor) &&
    same(nodes(a), nodes(b))
  );
}

function same(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
