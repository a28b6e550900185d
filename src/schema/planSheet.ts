import type { Goal } from '../core/method/goals';
import type { BoardRecord } from './board';
import type { SiteSheet } from './boardSheet';
import type { PlanInput } from './planRequest';
import type { StepHabit } from './stepHabit';
import type { ToolRecord } from './tool';
import type { PadStateId } from '../core/record/padStates';

/** All that a plan's sheet starts from. */
export interface PlanSheet {
  readonly board: BoardRecord;
  readonly site: SiteSheet;
  readonly padStates: Readonly<Record<string, PadStateId>>;
  readonly tools: readonly ToolRecord[];
  readonly goal: Goal;
  /** References of sites that come off in the same heat. */
  readonly mates: readonly string[];
  readonly input: PlanInput;
  readonly inputsKey: string;
  /** How methods went on such parts, by initials. */
  readonly records: Readonly<Record<string, PlanInput['record']>>;
  /** What this workshop always changes about a method's steps. */
  readonly habits: readonly StepHabit[];
}

/** What can be set on a plan before anything is searched. */
export type PlanWishes = Pick<PlanInput, 'goal' | 'worth'> & {
  readonly mates: readonly string[];
  readonly moisture: PlanInput['site']['moisture'] | null;
  readonly by: string;
};

/** What a sheet's plan is asked from. */
export const planInputOf = (
  sheet: PlanSheet,
  { goal, worth, mates, moisture, by }: PlanWishes,
): PlanInput => ({
  ...sheet.input,
  site: moisture ? { ...sheet.input.site, moisture } : sheet.input.site,
  goal,
  worth,
  record: [...(sheet.records[by] ?? [])],
  neighbours: sheet.input.neighbours.map((n) => ({ ...n, comesToo: mates.includes(n.ref) })),
});
