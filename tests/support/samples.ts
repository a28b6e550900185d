import type { Connection, JointScenario } from '~/core/thermal/joint/scenario';
import type { IronTool } from '~/core/method/bench';
import type { Phase } from '~/core/method/goals';
import type { HandSetting, PhaseRequest, PlanRequest } from '~/core/method/request';
import { surfacePackage, type SurfaceSpec } from '~/core/packages/outlines';
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
      ref: 'C1',
      x_m: 0.08,
      y_m: 0.05,
      rotation_rad: 0,
      partSide: 'top',
      part: CAPACITOR,
      alloy: 'sn60pb40',
      connections,
      padStates: {},
      clinched: false,
    },
    neighbours: [],
    goal: 'remove-keep-part',
    worth: 'ordinary',
    hazards: [],
    irons: [IRON],
    guns: [],
    tweezers: [],
    stations: [],
    preheaters: [
      { id: 'pre', name: 'Preheater', kind: 'convective', setpointRange_K: [kelvin(60), kelvin(200)] },
    ],
    supplies: [],
    history: { padDose: {}, laminateDose: 0, partCycles: 0 },
    moisture: null,
    record: [],
    seed: 1,
    ...changes,
  };
}

/** A request narrowed to one phase, as methods are asked. */
export const inPhase = (request: PlanRequest, phase: Phase = 'remove'): PhaseRequest => ({
  ...request,
  phase,
});

export const settingAt = (
  setpoint_C: number,
  tip: IronTool['tips'][number] = IRON.tips[0]!,
  preheat: HandSetting['preheat'] = null,
): HandSetting => ({
  kind: 'hand',
  tool: IRON,
  tip,
  setpoint_K: kelvin(setpoint_C),
  preheat,
  fluxed: true,
  freshSolder: true,
});

export const GUN: PlanRequest['guns'][number] = {
  id: 'gun',
  name: 'Gun',
  power_W: 100,
  setpointRange_K: [kelvin(300), kelvin(480)],
  tips: [
    { shape: 'hollow', construction: 'gun', inner_m: 1.0e-3, width_m: 2.2e-3 },
    { shape: 'hollow', construction: 'gun', inner_m: 1.5e-3, width_m: 2.8e-3 },
  ],
};

export const TWEEZERS: IronTool = {
  id: 'tweezers',
  name: 'Tweezers',
  power_W: 40,
  setpointRange_K: [kelvin(200), kelvin(420)],
  tips: [{ shape: 'chisel', width_m: 2e-3, construction: 'cartridge' }],
};

export const STATION: PlanRequest['stations'][number] = {
  id: 'air',
  name: 'Hot air',
  airRange_K: [kelvin(100), kelvin(480)],
  flowRange_m3_s: [10 / 60_000, 120 / 60_000],
  nozzles: [
    { shape: 'round', diameter_m: 5e-3 },
    { shape: 'round', diameter_m: 8e-3 },
    { shape: 'round', diameter_m: 12e-3 },
    { shape: 'rectangle', width_m: 18e-3, height_m: 18e-3 },
    { shape: 'rectangle', width_m: 30e-3, height_m: 30e-3 },
  ],
};

/** A surface part on tracks, with pads of `planes` on a relief to layer 2. */
export function surfaceRequest(
  spec: SurfaceSpec,
  changes: Partial<PlanRequest> = {},
  planes: readonly string[] = [],
): PlanRequest {
  const part = surfacePackage(spec);
  const base = planRequest({});
  const request = {
    ...base,
    board: TWO_LAYER,
    stations: [STATION],
    tweezers: [TWEEZERS],
    ...changes,
  };
  return {
    ...request,
    site: {
      ...base.site,
      ref: 'U1',
      part,
      connections: Object.fromEntries(
        part.lands.map((land) => [land.pad, planes.includes(land.pad) ? [reliefOn(2)] : [trackOn(1)]]),
      ),
      ...changes.site,
    },
  };
}
