import type { PreheaterId } from '~/core/materials/air';
import type { AlloyId } from '~/core/materials/alloys';
import type { HollowTip, SolidTip } from '~/core/thermal/joint/scenario';
import type { Preheat } from '~/core/thermal/preheat';
import type { Nozzle } from '~/core/thermal/surface/jet';

/** A heated tool held in the hand. A gun's tips are hollow; tweezers carry one tip on each jaw. */
export interface HandTool<Tip extends SolidTip | HollowTip = SolidTip | HollowTip> {
  readonly id: string;
  readonly name: string;
  readonly power_W: number;
  readonly setpointRange_K: readonly [number, number];
  readonly tips: readonly Tip[];
  /** What its tip really reaches less what it shows, as last checked. */
  readonly offset_K?: number | undefined;
  /** Contact of worn tips against new ones: 1 new, 2 twice the resistance. */
  readonly wear?: number | undefined;
  /** Share of a gun's bore that is closed. */
  readonly clogged?: number | undefined;
}

export type IronTool = HandTool<SolidTip>;
export type GunTool = HandTool<HollowTip>;

export interface AirStation {
  readonly id: string;
  readonly name: string;
  readonly airRange_K: readonly [number, number];
  readonly flowRange_m3_s: readonly [number, number];
  readonly nozzles: readonly Nozzle[];
  readonly offset_K?: number | undefined;
}

export interface Preheater {
  readonly id: string;
  readonly name: string;
  readonly kind: PreheaterId;
  readonly setpointRange_K: readonly [number, number];
}

/** What a bench has of something that is used up, in its own measure; null: enough, or not counted. */
export type Supply =
  | {
      readonly kind: 'wire';
      readonly id: string;
      readonly name: string;
      readonly alloy: AlloyId;
      readonly diameter_m: number;
      readonly left_m: number | null;
    }
  | {
      readonly kind: 'braid';
      readonly id: string;
      readonly name: string;
      readonly width_m: number;
      readonly left_m: number | null;
    }
  | {
      readonly kind: 'low-melt';
      readonly id: string;
      readonly name: string;
      readonly alloy: AlloyId;
      readonly left_kg: number | null;
    }
  | {
      readonly kind: 'paste';
      readonly id: string;
      readonly name: string;
      readonly alloy: AlloyId;
      readonly left_kg: number | null;
    }
  | {
      readonly kind: 'flux' | 'solvent';
      readonly id: string;
      readonly name: string;
      readonly left_m3: number | null;
    }
  | {
      readonly kind: 'foil' | 'tape';
      readonly id: string;
      readonly name: string;
      readonly left_m2: number | null;
    };

/** What a technician has to work with. */
export interface Bench {
  readonly irons: readonly IronTool[];
  readonly guns: readonly GunTool[];
  readonly tweezers: readonly IronTool[];
  readonly stations: readonly AirStation[];
  readonly preheaters: readonly Preheater[];
  readonly supplies: readonly Supply[];
}

/** A common warm-board setting: about 110 to 130 °C in the board after two minutes. */
const USUAL_PREHEAT = { setpoint_K: 423.15, soak_s: 120 } as const;

export const usualPreheat = (heater: Preheater): Preheat => ({
  kind: heater.kind,
  setpoint_K: Math.min(USUAL_PREHEAT.setpoint_K, heater.setpointRange_K[1]),
  soak_s: USUAL_PREHEAT.soak_s,
});
