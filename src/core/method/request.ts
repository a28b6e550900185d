import type { AlloyId } from '../materials/alloys';
import type { ThroughHolePackage } from '../packages/throughHole';
import type { Connection, JointScenario, SolidTip } from '../thermal/joint/scenario';
import type { Preheat } from '../thermal/preheat';
import type { Board } from '../thermal/stackup';

export const GOALS = ['remove-keep-part', 'remove-sacrifice-part', 'reflow', 'fit'] as const;
export type Goal = (typeof GOALS)[number];

/** What a board can do to the person who works on it. */
export const HAZARDS = ['stored-charge', 'mains', 'eht', 'lithium', 'leaking-electrolyte'] as const;
export type Hazard = (typeof HAZARDS)[number];

export interface IronTool {
  readonly id: string;
  readonly name: string;
  readonly power_W: number;
  readonly setpointRange_K: readonly [number, number];
  readonly tips: readonly SolidTip[];
}

export interface Neighbour {
  readonly ref: string;
  readonly x_m: number;
  readonly y_m: number;
  readonly side: 'top' | 'bottom';
  readonly alloy: AlloyId;
}

/** Everything a plan is made from; what is not here cannot change its answer. */
export interface PlanRequest {
  readonly ambient_K: number;
  readonly board: Board;
  readonly site: {
    readonly x_m: number;
    readonly y_m: number;
    readonly rotation_rad: number;
    readonly partSide: 'top' | 'bottom';
    readonly part: ThroughHolePackage;
    readonly alloy: AlloyId;
    readonly connections: Readonly<Record<string, readonly Connection[]>>;
  };
  readonly neighbours: readonly Neighbour[];
  readonly goal: Goal;
  readonly hazards: readonly Hazard[];
  readonly irons: readonly IronTool[];
  readonly preheaters: readonly Preheat[];
  readonly history: {
    readonly padDose: Readonly<Record<string, number>>;
    readonly laminateDose: number;
  };
  readonly seed: number;
}

/** What a technician can set: the point on which a plan stands. */
export interface Setting {
  readonly iron: IronTool;
  readonly tip: SolidTip;
  readonly setpoint_K: number;
  readonly preheat: Preheat | null;
  readonly fluxed: boolean;
  readonly freshSolder: boolean;
}

export function scenarioFor(request: PlanRequest, setting: Setting, pad: string): JointScenario {
  const { site } = request;
  return {
    ambient_K: request.ambient_K,
    board: request.board,
    part: site.part,
    partSide: site.partSide,
    face: 'solder-side',
    alloy: site.alloy,
    pad,
    connections: site.connections[pad] ?? [],
    iron: {
      setpoint_K: setting.setpoint_K,
      power_W: setting.iron.power_W,
      tip: setting.tip,
      fluxed: setting.fluxed,
      freshSolder: setting.freshSolder,
    },
    preheat: setting.preheat,
  };
}

/** Pads to work, ground and plane pins last: they melt last and lift first (common practice). */
export function padOrder(request: PlanRequest): string[] {
  const weight = (pad: string): number => {
    const kinds = (request.site.connections[pad] ?? []).map((c) => c.kind);
    if (kinds.includes('solid-plane')) return 2;
    return kinds.includes('thermal-relief') ? 1 : 0;
  };
  return Array.from({ length: request.site.part.pins }, (_, i) => String(i + 1)).sort(
    (a, b) => weight(a) - weight(b) || Number(a) - Number(b),
  );
}

/** Equal for pads that a dwell cannot tell apart: same copper, same budget left. */
export const likeness = (request: PlanRequest, pad: string): string =>
  JSON.stringify([request.site.connections[pad] ?? [], request.history.padDose[pad] ?? 0]);
