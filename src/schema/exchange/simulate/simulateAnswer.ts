import type { MoistureAnswer } from '../si/moisture';

/** How a note begins that a jet leaves the ranges its film was measured in. */
export const JET_OUTSIDE = 'Nozzle outside what was measured';

/** The command line's answer to "what happens if": bench units, null where it never happened. */
export interface SimulateAnswer {
  readonly outcome: 'done' | 'not-converged';
  readonly pads: readonly {
    readonly pad: string;
    readonly solidus_s: number | null;
    readonly liquidus_s: number | null;
    readonly fullMelt_s: number | null;
    readonly peak_C: number;
    readonly aboveLiquidus_s: number;
    readonly padDose: number;
  }[];
  readonly part: {
    readonly peak_C: number;
    readonly limit_C: number;
    readonly maxRamp_K_s: number;
    readonly rampLimit_K_s?: number;
    /** Plastic about the heated pin where it enters a moulding, and where that gives way. */
    readonly plasticPeak_C?: number;
    readonly plasticLimit_C?: number;
    /** Moulded bodies alone: whether to bake before this heat (J-STD-033). */
    readonly moisture?: MoistureAnswer;
  };
  readonly board: {
    readonly peakTop_C: number;
    readonly peakBottom_C: number;
    readonly laminateDose: number;
    /** Largest bow of the run, hot or left over; null for hand loads, which have no board scale. */
    readonly warp_pct: number | null;
  };
  readonly neighbours: readonly {
    readonly ref: string;
    readonly body_C: number;
    readonly joint_C: number;
    readonly ok: boolean;
  }[];
  readonly energy: {
    readonly in_J: number;
    readonly stored_J: number;
    readonly lost_J: number;
    readonly relativeResidual: number;
  };
  /** A gun's suction: whether the hole clears, and what would hold. */
  readonly suction?: {
    readonly clears: boolean;
    readonly coldest_C: number;
    readonly where: string;
    readonly room_K: number;
  };
  /** Hot air alone: bow while hot and what stays. */
  readonly bow?: { readonly hot_pct: number; readonly left_pct: number };
  /** Where the answer stretches what it rests on. */
  readonly notes: readonly string[];
  readonly histories: Readonly<Record<string, readonly number[]>>;
}
