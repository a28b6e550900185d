import { surfacePackage, type SurfaceSpec } from '~/core/packages/outlines';
import { foilThickness_m, kelvin } from '~/core/quantity/convert';
import { attach } from '~/core/thermal/field/attachments';
import { Films } from '~/core/thermal/field/films';
import { fieldMesh, type FieldBoard } from '~/core/thermal/field/mesh';
import type { AirLoad, FieldPart, FieldScenario, PreheatLoad, Stage } from '~/core/thermal/field/scenario';
import { NOMINAL_FIELD } from '~/core/thermal/field/scenario';
import { FieldSolver } from '~/core/thermal/field/solver';
import { reliefOn, trackOn } from './samples';

export const AMBIENT_K = 296;

const foil = (weight_oz: number, coverage: number) => ({ thickness_m: foilThickness_m(weight_oz), coverage });

export const boardOf = (...copper: [weight_oz: number, coverage: number][]): FieldBoard => ({
  length_m: 0.16,
  width_m: 0.1,
  thickness_m: 1.6e-3,
  laminate: 'fr4-standard',
  copper: copper.map(([weight, coverage]) => foil(weight, coverage)),
});

export const TWO_LAYERS = boardOf([1, 0.3], [1, 0.3]);
export const HEAVY_FOUR = boardOf([1, 0.35], [2, 0.9], [2, 0.9], [1, 0.35]);

/** A surface part in the middle; every tenth pad reaches layer 2 where `planes` is set. */
export function surfacePart(
  spec: SurfaceSpec,
  at: { ref?: string; x_m?: number; y_m?: number; planes?: boolean; rotation_rad?: number } = {},
): FieldPart {
  const part = surfacePackage(spec);
  return {
    ref: at.ref ?? 'U1',
    side: 'top',
    x_m: at.x_m ?? 0.08,
    y_m: at.y_m ?? 0.05,
    rotation_rad: at.rotation_rad ?? 0,
    alloy: 'sn60pb40',
    part,
    connections: Object.fromEntries(
      part.lands.map((land, i) => [land.pad, at.planes && i % 10 === 0 ? [reliefOn(2)] : [trackOn(1)]]),
    ),
  };
}

export const jetOver = (
  air_C: number,
  nozzle: AirLoad['jet']['nozzle'],
  flow_L_min: number,
  standoff_m: number,
  at: { x_m: number; y_m: number } = { x_m: 0.08, y_m: 0.05 },
): AirLoad => ({
  jet: { nozzle, air_K: kelvin(air_C), flow_m3_s: flow_L_min / 60_000, standoff_m },
  ...at,
  side: 'top',
});

export const square = (side_m: number) =>
  ({ shape: 'rectangle', width_m: side_m, height_m: side_m }) as const;
export const round = (diameter_m: number) => ({ shape: 'round', diameter_m }) as const;

export const fromBelow = (setpoint_C: number, kind: PreheatLoad['kind'] = 'convective'): PreheatLoad => ({
  kind,
  setpoint_K: kelvin(setpoint_C),
  side: 'bottom',
});

export const stage = (
  duration_s: number,
  air: AirLoad | null,
  preheat: PreheatLoad | null = null,
): Stage => ({ name: air ? 'air' : 'rest', duration_s, air, preheat });

export const field = (
  board: FieldBoard,
  parts: readonly FieldPart[],
  stages: readonly Stage[],
  shields: FieldScenario['shields'] = [],
): FieldScenario => ({ ambient_K: AMBIENT_K, board, parts, shields, stages });

/** A bare board that exchanges nothing with its surroundings. */
export function insulated(board: FieldBoard, pitch_m: number, layers: number): FieldSolver {
  const mesh = fieldMesh(board, pitch_m, layers);
  const factors = { ...NOMINAL_FIELD, stillAir: 0 };
  const films = new Films(mesh, [], [], [], AMBIENT_K, factors);
  return new FieldSolver(mesh, attach(board, mesh, [], factors), films, AMBIENT_K);
}
