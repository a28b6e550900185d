import type { LaminateId } from '~/core/materials/laminates';
import type { Board } from '~/core/thermal/stackup';
import type { Known } from '~/core/thermal/joint/draws';
import type { Factors } from '~/core/thermal/joint/scenario';
import type { Prepared } from '~/core/thermal/network/prepared';
import type { Neighbour } from '../request';

/** What one touch of a hot tip does, whatever it stands on; temperatures in K at the times in `time_s`. */
export interface TouchRun {
  readonly outcome: 'done' | 'stopped' | 'not-converged';
  readonly time_s: Float64Array;
  readonly tip_K: Float64Array;
  /** Hottest of the lands it works on: the one whose bond is at stake. */
  readonly land_K: Float64Array;
  readonly laminate_K: Float64Array;
  readonly coldestSolder_K: Float64Array;
  readonly body_K: Float64Array;
  /** Plastic about the pin; null where its body holds it otherwise. */
  readonly plastic_K: Float64Array | null;
  /** When all the solder that must be liquid is; null if it never is. */
  readonly fullMelt_s: number | null;
  /** Where it was last to melt, or still solid at the end. */
  readonly lastToMelt: string;
}

export interface TouchOptions {
  readonly duration_s: number;
  readonly factors?: Factors | undefined;
  readonly tolerance_K?: number | undefined;
  readonly stopWhen?: ((time_s: number, land_K: number, molten: boolean) => boolean) | undefined;
}

/** One application of a hot tip, and how the heat model is asked about it. */
export interface Touch {
  /** Its pad's name, or `all` where the pads are heated together. */
  readonly name: string;
  readonly pads: readonly string[];
  /** Equal for touches that the model cannot tell apart. */
  readonly likeness: string;
  readonly board: Board;
  readonly laminate: LaminateId;
  /** What is known of its tool and board beyond what is published. */
  readonly known?: Known | undefined;
  /** The smallest of its lands. */
  readonly land_m2: number;
  /** No touch of this kind is held longer, s. */
  readonly longest_s: number;
  /** Where all its solder is liquid. */
  readonly liquidus_K: number;
  /** Ready to run, alone or beside another of its kind. */
  prepare(options: TouchOptions): Prepared<TouchRun>;
  /** Peak under each neighbour if the touch lasts that long, K. */
  peaksNear(neighbours: readonly Neighbour[], duration_s: number): number[];
}
