import type { Connection, JointScenario } from '~/core/thermal/joint/scenario';
import type { IronTool, PlanRequest, Setting } from '~/core/method/request';
import { foilThickness_m, kelvin } from '~/core/quantity/convert';
import type { Board } from '~/core/thermal/stackup';

/** A plain board, part and bench for tests; each test says what it changes. */

export const FOUR_LAYER: Board = {
  length_m: 0.16,
  width_m: 0.1,
  thickness_m: 1.6e-3,
  laminate: 'fr4-standard',
  copper: [0.3, 0.9, 0.9, 0.3].map((coverage) => ({ thickness_m: foilThickness_m(1), coverage })),
};

export const TWO_LAYER: Board = {
  ...FOUR_LAYER,
  copper: [0.3, 0.3].map((coverage) => ({ thickness_m: foilThickness_m(1), coverage })),
};

export const trackOn = (layer: number): Connection => ({
  kind: 'track',
  width_m: 0.4e-3,
  count: 1,
  layers: [layer],
});

export const planeOn = (...layers: number[]): Connection => ({ kind: 'solid-plane', layers });

export const reliefOn = (...layers: number[]): Connection => ({
  kind: 'thermal-relief',
  spokes: 4,
  spokeWidth_m: 0.3e-3,
  spokeLength_m: 0.3e-3,
  layers,
});

export const CAPACITOR: JointScenario['part'] = {
  family: 'radial',
  pins: 2,
  pitch_m: 5e-3,
  rowSpacing_m: 7.62e-3,
  leadDiameter_m: 0.6e-3,
  holeDiameter_m: 0.9e-3,
  landDiameter_m: 1.8e-3,
  body: { shape: 'can', length_m: 10e-3, width_m: 10e-3, height_m: 12.5e-3 },
};

export const IRON: IronTool = {
  id: 'iron',
  name: 'Iron',
  power_W: 65,
  setpointRange_K: [kelvin(200), kelvin(480)],
  tips: [
    { shape: 'chisel', width_m: 2.4e-3, construction: 'cartridge' },
    { shape: 'conical', width_m: 0.5e-3, construction: 'cartridge' },
  ],
};

export function scenario(
  setpoint_C: number,
  connection: Connection,
  changes: Partial<Omit<JointScenario, 'iron'>> & { iron?: Partial<JointScenario['iron']> } = {},
): JointScenario {
  const { iron, ...rest } = changes;
  return {
    ambient_K: kelvin(23),
    board: FOUR_LAYER,
    part: CAPACITOR,
    partSide: 'top',
    face: 'solder-side',
    alloy: 'sn60pb40',
    pad: '1',
    connections: [connection],
    preheat: null,
    ...rest,
    iron: {
      setpoint_K: kelvin(setpoint_C),
      power_W: 65,
      tip: IRON.tips[0]!,
      fluxed: true,
      freshSolder: true,
      ...iron,
    },
  };
}

export function planRequest(
  connections: Record<string, Connection[]>,
  changes: Partial<PlanRequest> = {},
): PlanRequest {
  return {
    ambient_K: kelvin(23),
    board: FOUR_LAYER,
    site: {
      x_m: 0.08,
      y_m: 0.05,
      rotation_rad: 0,
      partSide: 'top',
      part: CAPACITOR,
      alloy: 'sn60pb40',
      connections,
    },
    neighbours: [],
    goal: 'remove-keep-part',
    hazards: [],
    irons: [IRON],
    preheaters: [{ kind: 'convective', setpoint_K: kelvin(150), soak_s: 120 }],
    history: { padDose: {}, laminateDose: 0 },
    seed: 1,
    ...changes,
  };
}

export const settingAt = (
  setpoint_C: number,
  tip: IronTool['tips'][number] = IRON.tips[0]!,
  preheat: Setting['preheat'] = null,
): Setting => ({
  iron: IRON,
  tip,
  setpoint_K: kelvin(setpoint_C),
  preheat,
  fluxed: true,
  freshSolder: true,
});
