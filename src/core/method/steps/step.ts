import type { CautionId } from '../cautions';
import type { Phase } from '../goals';

/** What the technician is told while something is under heat. */
interface DwellTarget {
  readonly setpoint_K: number;
  readonly expect_s: readonly [number, number];
  readonly liftFrom_s: number;
  readonly holdAfterMelt_s: number;
  readonly stop_s: number;
  readonly ifNotMolten: string;
}

export type StepKind = 'gate' | 'do' | 'heat' | 'wait' | 'inspect';

/** One line of the traveller. A gate must be confirmed before anything after it; heat and wait carry a clock. */
export interface Step {
  readonly id: string;
  readonly kind: StepKind;
  readonly title: string;
  readonly detail: string;
  readonly why: string;
  readonly cautions: readonly CautionId[];
  /** The pad under heat, or `all`. */
  readonly pad: string | null;
  readonly dwell: DwellTarget | null;
  readonly wait_s: number | null;
  /** The phase whose setting its heat has; null outside of heat. */
  readonly phase: Phase | null;
  /** Pads heated in this step one after another, each with a clock of its own; empty where there is one clock. */
  readonly inTurn: readonly string[];
  /** Pads that a tip is drawn over under one clock; empty where it stands still. */
  readonly stroke: readonly string[];
  /** What is different on the board once it is done. */
  readonly effect: 'part-off' | 'part-on' | null;
  /** Shown with the picture of the site as it lies on the board. */
  readonly picture: boolean;
}

export type StepDraft = Partial<Step> & Pick<Step, 'id' | 'kind' | 'title' | 'detail' | 'why'>;

export const step = (draft: StepDraft): Step => ({
  cautions: [],
  pad: null,
  dwell: null,
  wait_s: null,
  phase: null,
  inTurn: [],
  stroke: [],
  effect: null,
  picture: false,
  ...draft,
});
