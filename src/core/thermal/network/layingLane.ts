import { enthalpyCurve } from './enthalpy';
import { ARRAYS, LANES, type Bench } from './kernel';
import type { ThermalNetwork } from './network';
import { SOLVER } from './settings';
import type { Shape } from './shape';

/** Lays one network's numbers into its lane of a kernel that holds its shape. */
export function layLane(
  { kernel }: Bench,
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
