import { cubicMetresPerSecond, kelvin, metres, radians } from '~/core/quantity/convert';
import { padNamesOf, type PartPackage } from '~/core/packages/form';
import { simulateField } from '~/core/thermal/field/run';
import type { AirLoad, FieldPart, FieldScenario, Stage } from '~/core/thermal/field/scenario';
import { fieldBoardOf } from '../si/board';
import { asLabelled } from '../si/moisture';
import { partOf } from '../si/part';
import { connectionsOf } from '../si/connections';
import { fieldAnswer } from './fieldAnswer';
import { neighbourPart } from './simulateNeighbours';
import type { SimulateAnswer } from './simulateAnswer';
import type { SimulateInput } from './simulateRequest';
import { outletOf } from './simulateRequest';

export type HotAirLoad = Extract<SimulateInput['load'], { kind: 'hot-air' }>;

/** A board under hot air; times count from the air, so a soak before it is negative. */
export function simulateFieldAnswer(input: SimulateInput, load: HotAirLoad): SimulateAnswer {
  const scenario = fieldScenarioOf(input, load);
  const run = simulateField(scenario, {
    pitch_m: input.grid_mm === undefined ? undefined : metres(input.grid_mm),
  });
  const { site, neighbours } = input;
  const soak_s = input.preheat?.soak_s ?? 0;
  return fieldAnswer({ ref: site.ref, moisture: site.moisture, neighbours, soak_s }, scenario, run);
}

function fieldScenarioOf(input: SimulateInput, load: HotAirLoad): FieldScenario {
  const { site } = input;
  const main = fieldPart(site, asLabelled(partOf(site.package), site.moisture), (pad) =>
    connectionsOf(input, pad),
  );
  const neighbours = input.neighbours.map((n) => fieldPart(n, neighbourPart(n), () => []));
  return {
    ambient_K: kelvin(input.ambient_C),
    board: fieldBoardOf(input.board),
    parts: [main, ...neighbours],
    shields: input.shields.map((s) => ({
      kind: s.kind,
      side: s.side,
      from_m: [metres(s.x_mm - s.width_mm / 2), metres(s.y_mm - s.height_mm / 2)] as const,
      to_m: [metres(s.x_mm + s.width_mm / 2), metres(s.y_mm + s.height_mm / 2)] as const,
    })),
    stages: stagesOf(input, load),
  };
}

interface Placed {
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  readonly x_mm: number;
  readonly y_mm: number;
  readonly rotation_deg: number;
  readonly alloy: FieldPart['alloy'];
}

function fieldPart(
  at: Placed,
  part: PartPackage,
  connected: (pad: string) => FieldPart['connections'][string],
): FieldPart {
  return {
    ref: at.ref,
    side: at.side,
    x_m: metres(at.x_mm),
    y_m: metres(at.y_mm),
    rotation_rad: radians(at.rotation_deg),
    alloy: at.alloy,
    part,
    connections: Object.fromEntries(padNamesOf(part).map((pad) => [pad, connected(pad)])),
  };
}

/** The soak, then a stage for each stretch between two entries of the schedule. */
function stagesOf(input: SimulateInput, load: HotAirLoad): Stage[] {
  const away = input.site.side === 'top' ? 'bottom' : 'top';
  const preheat =
    input.preheat &&
    ({
      kind: input.preheat.kind,
      setpoint_K: kelvin(input.preheat.setpoint_C),
      side: input.preheat.side ?? away,
    } as const);
  const stages: Stage[] = [];
  if (preheat && input.preheat!.soak_s > 0) {
    stages.push({ name: 'soak', duration_s: input.preheat!.soak_s, air: null, preheat });
  }
  let now = { air_C: load.air_C, flow_L_min: load.flow_L_min, standoff_mm: load.standoff_mm, off: false };
  let warm = preheat;
  const entries = [{ at_s: 0 }, ...load.schedule.filter((entry) => entry.at_s < input.duration_s)];
  entries.forEach((entry: HotAirLoad['schedule'][number], i) => {
    const until_s = entries[i + 1]?.at_s ?? input.duration_s;
    now = {
      air_C: entry.air_C ?? now.air_C,
      flow_L_min: entry.flow_L_min ?? now.flow_L_min,
      standoff_mm: entry.standoff_mm ?? now.standoff_mm,
      off: entry.off ?? (entry.air_C === undefined ? now.off : false),
    };
    if (warm && entry.preheat_C !== undefined) warm = { ...warm, setpoint_K: kelvin(entry.preheat_C) };
    if (until_s <= entry.at_s) return;
    stages.push({
      name: now.off ? 'cooling' : 'hot air',
      duration_s: until_s - entry.at_s,
      air: now.off ? null : airLoad(input, load, now),
      // One source warms a face at a time: the nozzle takes the place of warm air over the part.
      preheat: now.off || warm?.side !== input.site.side ? warm : null,
    });
  });
  return stages;
}

function airLoad(
  input: SimulateInput,
  load: HotAirLoad,
  now: { air_C: number; flow_L_min: number; standoff_mm: number },
): AirLoad {
  const nozzle = outletOf(load)!;
  return {
    jet: {
      nozzle,
      air_K: kelvin(now.air_C),
      flow_m3_s: cubicMetresPerSecond(now.flow_L_min),
      standoff_m: metres(now.standoff_mm),
    },
    x_m: metres(input.site.x_mm),
    y_m: metres(input.site.y_mm),
    side: input.site.side,
  };
}
