import { enthalpyCurve } from './enthalpy';
import { ARRAYS, LANES, type OwnKernel } from './kernel';
import type { ThermalNetwork } from './network';
import { SOLVER } from './settings';
import type { Shape } from './shape';

/** Lays one network's numbers into its lane of a kernel that holds its shape. */
export function layLane(
  { kernel }: OwnKernel,
  numbers: Float64Array,
  shape: Shape,
  network: ThermalNetwork,
  lane: number,
): void {
  const firstOf = (array: number): number => (kernel.addressOf(array) >> 3) + lane;
  layLinks(numbers, firstOf, shape, network);
  layLumps(numbers, firstOf, shape, network);
}

/** Where an array's numbers of the lane begin; they lie `LANES` apart. */
type FirstOf = (array: number) => number;

/** What never changes goes into the matrix, links that do stand beside it. */
function layLinks(
  numbers: Float64Array,
  firstOf: FirstOf,
  { elimination, variableEdges }: Shape,
  { size, edges, ambient }: ThermalNetwork,
): void {
  const { pivot, edgeAt, row } = elimination;
  const values = firstOf(ARRAYS.fixedValues);
  const conduction = firstOf(ARRAYS.fixedConduction);
  const source = firstOf(ARRAYS.source);
  for (let i = 0; i < size + row.length; i++) numbers[values + LANES * i] = 0;
  for (let i = 0; i < size; i++) numbers[conduction + LANES * i] = numbers[source + LANES * i] = 0;
  const solid = firstOf(ARRAYS.edgeSolid);
  const liquid = firstOf(ARRAYS.edgeLiquid);
  let next = 0;
  for (let e = 0; e < edges.length; e++) {
    const { from, to, solid_W_K, liquid_W_K } = edges[e]!;
    if (next < variableEdges.length && variableEdges[next] === e) {
      numbers[solid + LANES * next] = solid_W_K;
      numbers[liquid + LANES * next++] = liquid_W_K;
      continue;
    }
    numbers[values + LANES * edgeAt[e]!]! -= solid_W_K;
    numbers[conduction + LANES * pivot[from]!]! += solid_W_K;
    numbers[conduction + LANES * pivot[to]!]! += solid_W_K;
  }
  const air = firstOf(ARRAYS.ambient);
  for (let i = 0; i < ambient.length; i++) {
    const { node, conductance_W_K, temperature_K } = ambient[i]!;
    numbers[conduction + LANES * pivot[node]!]! += conductance_W_K;
    numbers[source + LANES * pivot[node]!]! += conductance_W_K * temperature_K;
    numbers[air + LANES * 2 * i] = conductance_W_K;
    numbers[air + LANES * (2 * i + 1)] = temperature_K;
  }
}

function layLumps(
  numbers: Float64Array,
  firstOf: FirstOf,
  { elimination: { pivot } }: Shape,
  { size, melting, heaters, wettings, capacity_J_K, initial_K }: ThermalNetwork,
): void {
  const slope = firstOf(ARRAYS.slope);
  const temperature = firstOf(ARRAYS.temperature);
  for (let node = 0; node < size; node++) {
    numbers[slope + LANES * pivot[node]!] = capacity_J_K[node]!;
    numbers[temperature + LANES * pivot[node]!] = initial_K[node]!;
  }
  let at = firstOf(ARRAYS.curve);
  const put = (value: number): void => {
    numbers[at] = value;
    at += LANES;
  };
  for (const lump of melting) {
    const curve = enthalpyCurve(lump, SOLVER.eutecticSmear_K);
    put(curve.solidus_K);
    put(curve.liquidus_K);
    put(curve.solidus_J);
    put(curve.liquidus_J);
    curve.slope.forEach(put);
    curve.offset.forEach(put);
    put(curve.noted_J);
  }
  at = firstOf(ARRAYS.wetting);
  for (const { dryShare, over_s } of wettings) {
    put(dryShare);
    put(over_s);
  }
  at = firstOf(ARRAYS.heater);
  for (const { setpoint_K, gain_W_K, limit_W } of heaters) {
    put(setpoint_K);
    put(gain_W_K);
    put(limit_W);
  }
}
