import type { CautionId } from '../../cautions';
import type { StockLine } from '../../consumption';
import type { Overspend } from '../../limits/overspend';
import type { PartCycles } from '../../limits/partCycles';
import type { Pace, WayTimes } from '../../pace';
import type { Step } from '../../steps/step';
import type { PhasePlan } from './phasePlan';

/** A job planned from its first step to its last. */
export interface FoundPlan {
  readonly outcome: 'found';
  readonly phases: readonly [PhasePlan, ...PhasePlan[]];
  readonly consumption: readonly StockLine[];
  readonly partCycles: PartCycles | null;
  /** Pads that it would take past the end of their budget, all of its phases together, the worst first. */
  readonly overspends: readonly Overspend[];
  readonly cautions: readonly CautionId[];
  readonly steps: readonly Step[];
  /** What its ways take; with its steps and the pace of hands that is how long it takes. */
  readonly ways: WayTimes;
  readonly pace: Pace;
}
