import type { Goal } from '../core/method/request';
import type { BoardRecord } from './board';
import type { SiteSheet } from './boardSheet';
import type { PlanInput } from './planRequest';
import type { ToolRecord } from './tool';
import type { PadStateId } from '../core/record/padStates';

/** All that a plan's sheet starts from. */
export interface PlanSheet {
  readonly board: BoardRecord;
  readonly site: SiteSheet;
  readonly padStates: Readonly<Record<string, PadStateId>>;
  readonly tools: readonly ToolRecord[];
  readonly goal: Goal;
  readonly input: PlanInput;
  readonly inputsKey: string;
}
