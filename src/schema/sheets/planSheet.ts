import type { Goal } from '~/core/method/goals';
import type { BoardRecord } from '~/schema/records/board/board';
import type { SiteSheet } from './boardSheet';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import type { StepHabit } from '~/schema/records/jobs/stepHabit';
import type { ToolRecord } from '~/schema/records/rig/tool';
import type { Occupancy } from '~/core/record/occupancy';
import type { PadStateId } from '~/core/record/padStates';

/** All that a plan's sheet starts from. */
export interface PlanSheet {
  readonly board: BoardRecord;
  readonly site: SiteSheet;
  /** What stands on the site. */
  readonly occupancy: Occupancy;
  readonly padStates: Readonly<Record<string, PadStateId>>;
  readonly tools: readonly ToolRecord[];
  readonly goal: Goal;
  /** References of sites that come off in the same heat. */
  readonly mates: readonly string[];
  readonly input: PlanInput;
  readonly inputsKey: string;
  /** What this workshop always changes about a method's steps. */
  readonly habits: readonly StepHabit[];
}
