import type { CautionId } from '../../cautions';
import type { StockLine } from '../../consumption';
import type { Overspend } from '../../limits/overspend';
import type { PartCycles } from '../../limits/partCycles';
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
  /** From the first press to the last: hands, heat, soaks, cooling and drying. */
  readonly total_s: number;
}
