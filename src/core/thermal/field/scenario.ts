import type { AlloyId } from '~/core/materials/alloys';
import type { PreheaterId } from '~/core/materials/air';
import type { ShieldId } from '~/core/materials/surfaces';
import type { PartPackage } from '~/core/packages/form';
import type { Connection } from '../joint/scenario';
import type { Jet } from '../surface/jet';
import type { FieldBoard } from './mesh';

export type Side = 'top' | 'bottom';

/** A part on the board. Its rotation turns it counter-clockwise seen from its own side. */
export interface FieldPart {
  readonly ref: string;
  readonly side: Side;
  readonly x_m: number;
  readonly y_m: number;
  readonly rotation_rad: number;
  readonly alloy: AlloyId;
  readonly part: PartPackage;
  /** By pad; a pad left out stands isolated. */
  readonly connections: Readonly<Record<string, readonly Connection[]>>;
}

/** A cover over a rectangle of one face, and over the parts whose middle lies in it. */
export interface Shield {
  readonly kind: ShieldId;
  readonly side: Side;
  readonly from_m: readonly [number, number];
  readonly to_m: readonly [number, number];
}

export interface AirLoad {
  readonly jet: Jet;
  readonly x_m: number;
  readonly y_m: number;
  readonly side: Side;
  /** Outlet temperature at the end of the stage; it moves there in a straight line. */
  readonly endAir_K?: number | undefined;
}

export interface PreheatLoad {
  readonly kind: PreheaterId;
  readonly setpoint_K: number;
  readonly side: Side;
  readonly endSetpoint_K?: number | undefined;
}

/** A stretch of time in which nothing is switched or moved. */
export interface Stage {
  readonly name: string;
  readonly duration_s: number;
  readonly air: AirLoad | null;
  readonly preheat: PreheatLoad | null;
}

/** Everything a board-scale run is made from. */
export interface FieldScenario {
  readonly ambient_K: number;
  readonly board: FieldBoard;
  readonly parts: readonly FieldPart[];
  readonly shields: readonly Shield[];
  readonly stages: readonly Stage[];
}

/** Uncertain inputs as factors on their nominal values; the air's temperature as an offset. */
export interface FieldFactors {
  readonly copper: number;
  readonly laminate: number;
  readonly jet: number;
  readonly stillAir: number;
  readonly preheat: number;
  readonly airOffset_K: number;
}

export const NOMINAL_FIELD: FieldFactors = {
  copper: 1,
  laminate: 1,
  jet: 1,
  stillAir: 1,
  preheat: 1,
  airOffset_K: 0,
};

/** Temperature of a load that moves in a straight line over its stage. */
export const ramped_K = (start_K: number, end_K: number | undefined, share: number): number =>
  start_K + ((end_K ?? start_K) - start_K) * share;
