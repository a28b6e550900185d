import { z } from 'zod';
import { GOALS, type Goal } from '~/core/method/goals';
import { WORTHS, type Worth } from '~/core/method/request';
import type { StepEdit } from '~/core/method/steps/edits';
import { moistureInput, type MoistureInput } from '~/schema/values/moisture';
import { choiceInput, type ChoiceInput } from '~/schema/exchange/plan/planRequest';
import { stepEdits } from '~/schema/values/stepEdit';

/** What a technician set on a plan and would not set again after a reload. */
const planDraft = z.strictObject({
  /** Of the inputs it was made on; on others it says nothing. */
  inputsKey: z.string(),
  goal: z.enum(GOALS),
  worth: z.enum(WORTHS),
  mates: z.array(z.string().max(16)).max(20),
  moisture: moistureInput.nullable(),
  /** Empty where the search's own choice stands. */
  choices: z.array(choiceInput).max(3),
  /** Null where nothing was changed by hand. */
  edits: stepEdits.nullable(),
});
export type PlanDraft = z.infer<typeof planDraft>;

/** What of a plan's state is worth keeping. */
interface Kept {
  readonly goal: Goal;
  readonly worth: Worth;
  readonly mates: readonly string[];
  readonly moisture: MoistureInput | null;
  readonly choices: readonly ChoiceInput[];
  readonly byHand: boolean;
  readonly edits: readonly StepEdit[];
  readonly edited: boolean;
}

export const draftOf = (state: Kept, inputsKey: string): PlanDraft => ({
  inputsKey,
  goal: state.goal,
  worth: state.worth,
  mates: [...state.mates],
  moisture: state.moisture,
  choices: state.byHand ? [...state.choices] : [],
  edits: state.edited ? [...state.edits] : null,
});

const keyOf = (siteId: string): string => `plan ${siteId}`;

/** The draft of this tab, if it was made on these inputs and, where one is asked for, for this goal. */
export function readDraft(
  storage: Pick<Storage, 'getItem'>,
  siteId: string,
  inputsKey: string,
  asked: Goal | null,
): PlanDraft | null {
  try {
    const text = storage.getItem(keyOf(siteId));
    const read = text === null ? null : planDraft.safeParse(JSON.parse(text));
    if (!read?.success || read.data.inputsKey !== inputsKey) return null;
    return asked === null || asked === read.data.goal ? read.data : null;
  } catch {
    // Storage that is shut or holds something else is no reason not to plan.
    return null;
  }
}

/** Takes a draft as JSON. */
export function writeDraft(storage: Pick<Storage, 'setItem'>, siteId: string, draft: string): void {
  try {
    storage.setItem(keyOf(siteId), draft);
  } catch {
    // Full or shut: the plan is only not remembered.
  }
}

export function dropDraft(storage: Pick<Storage, 'removeItem'>, siteId: string): void {
  try {
    storage.removeItem(keyOf(siteId));
  } catch {
    // Nothing was kept there.
  }
}
