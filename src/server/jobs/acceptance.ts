import { possibleOn } from '~/core/method/goals';
import { AS_IT_CAME, isEmpty, occupancyInWords } from '~/core/record/occupancy';
import { openBoard } from '~/server/boards/openBoard';
import { explore, MODEL_VERSION } from '~/core/method/plan/plan';
import { edited } from '~/core/method/steps/edits';
import type { PlanRequest } from '~/core/method/request';
import { inOneGo } from '~/core/stepwise';
import { InputError } from '~/schema/values/faults';
import { acceptedPlan } from '~/schema/records/jobs/acceptedPlan';
import type { AcceptPlan, JobRecord } from '~/schema/records/jobs/job';
import type { FoundAnswer } from '~/schema/exchange/plan/planAnswer';
import { foundAnswerOf } from '~/schema/exchange/plan/planAnswerOf';
import { addedStep } from '~/schema/exchange/plan/addedStep';
import { choicesOf, planRequestOf } from '~/schema/exchange/si/plan';
import type { ChoiceInput, PlanInput } from '~/schema/exchange/plan/planRequest';
import type { Db } from '~/server/store/db';
import { newId } from '~/server/store/ids';
import { recordMovedOn } from '~/server/plans/planTask';
import { planningFor } from '~/server/plans/sitePlanning';
import { Conflict } from '~/server/store/errors';
import { restate } from '~/server/boards/restate';
import { addJob, type JobWithEvents } from '~/server/store/repositories/jobs';
import { getSite } from '~/server/store/repositories/sites';
import { benchSetting } from './benchSetting';

/** Solves what was chosen, from inputs of the record: the planner, which has mostly just done so, or whoever stands in. */
export type Solve = (input: PlanInput, choices: readonly ChoiceInput[]) => Promise<FoundAnswer>;

/** Accepts a plan: has the chosen settings solved from the record, and writes the job with its inputs, its plan and its opening entry. */
export async function acceptJob(
  db: Db,
  accepted: AcceptPlan,
  solve: Solve,
  now_ms: () => number,
  id = newId('job'),
): Promise<JobWithEvents> {
  const { input, inputsKey } = planningFor(db, accepted.siteId, accepted);
  if (inputsKey !== accepted.inputsKey) throw recordMovedOn();
  refuseUnusable(planRequestOf(input), accepted.choices);
  const answer = await solve(input, accepted.choices);
  if (planningFor(db, accepted.siteId, accepted).inputsKey !== inputsKey) throw recordMovedOn();
  const { siteId, goal, by, choices } = accepted;
  const steps = edited(answer.steps, accepted.edits, addedStep);
  return writeJob(db, { id, siteId, recapId: null, goal, by, choices, input, answer, steps }, now_ms());
}

/** A plan that was solved from the record, as it becomes a job. */
export interface JobDraft extends Pick<JobRecord, 'id' | 'siteId' | 'recapId' | 'goal' | 'by'> {
  readonly choices: readonly ChoiceInput[];
  readonly input: PlanInput;
  readonly answer: FoundAnswer;
  readonly steps: FoundAnswer['steps'];
}

/** Writes a job with what it was planned from, its plan and its opening entry. */
export function writeJob(db: Db, draft: JobDraft, now_ms: number): JobWithEvents {
  const { id, siteId, recapId, goal, by, choices, input, answer, steps } = draft;
  const { boardId } = getSite(db, siteId);
  const job: Omit<JobRecord, 'lastSeq'> = {
    id,
    boardId,
    siteId,
    recapId,
    goal,
    by,
    status: 'running',
    request: { input: withoutPictures(input), setting: choices[0]!.setting, choices },
    plan: acceptedPlan(answer, steps, input.site),
    modelVersion: MODEL_VERSION,
    outcome: null,
    cause: '',
    acceptedAt_ms: now_ms,
    closedAt_ms: null,
  };
  return db.transaction(() => {
    refuseImpossible(db, boardId, draft);
    const made = addJob(db, job, by);
    restate(db, boardId);
    return made;
  });
}

/** No work is begun on a board that was closed or is parked, and what is off is not taken off again. */
function refuseImpossible(
  db: Db,
  boardId: string,
  { siteId, goal }: Pick<JobDraft, 'siteId' | 'goal'>,
): void {
  const { stage, occupancies } = openBoard(db, boardId);
  if (stage.is === 'closed') throw new Conflict('the board is closed; open it again on its own page first');
  if (stage.is === 'parked')
    throw new Conflict(`the board is parked for ${stage.entry.what}; go on with it on its own page first`);
  const occupancy = occupancies.get(siteId) ?? AS_IT_CAME;
  if (!possibleOn(goal, isEmpty(occupancy)))
    throw new Conflict(
      `the site is ${occupancyInWords(occupancy)}: it can be fitted; say what stands there where that is not so`,
    );
}

/** Copper and edge as they were imported stay with the board: a job keeps what was told of it. */
function withoutPictures({ board, ...input }: PlanInput): PlanInput {
  const { copperMaps: _maps, outline_mm: _edge, ...told } = board;
  return { ...input, board: told };
}

function refuseUnusable(request: PlanRequest, inputs: readonly ChoiceInput[]): void {
  inputs.forEach((choice, i) => benchSetting(request, choice.setting, `$.choices[${i}].setting`));
  if (!choicesOf(request, inputs)) {
    throw new InputError([
      { path: '$.choices', message: `do not cover every phase of "${request.goal}"; give one for each` },
    ]);
  }
}

/** Solves here, on this thread, for whoever has the time to wait: demo data, and tests. */
export const solvedHere: Solve = (input, inputs) => {
  const request = planRequestOf(input);
  return Promise.resolve(foundAnswerOf(inOneGo(explore(request, choicesOf(request, inputs)!))));
};
