import { phasesOf, type Goal } from '~/core/method/goals';
import { areasOf } from '~/core/method/recap/areas';
import { takenUp } from '~/core/method/recap/readiness';
import { roundSteps, type RoundPlace } from '~/core/method/recap/roundSteps';
import { edited, type StepEdit } from '~/core/method/steps/edits';
import { AS_IT_CAME, isEmpty } from '~/core/record/occupancy';
import { roundStanding, uncleanedSites } from '~/core/record/round';
import { addedStep } from '~/schema/exchange/plan/addedStep';
import { choiceOfOption, choicesIn } from '~/schema/exchange/plan/optionChoice';
import { phasesIn } from '~/schema/exchange/plan/phasesIn';
import type { FoundAnswer } from '~/schema/exchange/plan/planAnswer';
import type { ChoiceInput, PlanInput } from '~/schema/exchange/plan/planRequest';
import type { RecapRecord, TakeUp } from '~/schema/records/jobs/recap';
import { openBoard, type OpenBoard } from '~/server/boards/openBoard';
import { asked } from '~/server/plans/planner/asked';
import type { Planner } from '~/server/plans/planner/planner';
import { recordMovedOn } from '~/server/plans/planTask';
import { planningFor } from '~/server/plans/sitePlanning';
import type { Db } from '~/server/store/db';
import { Conflict } from '~/server/store/errors';
import { newId } from '~/server/store/ids';
import { jobsOfBoard } from '~/server/store/repositories/jobs';
import { getRecap } from '~/server/store/repositories/recaps';
import type { SiteWithPads } from '~/server/store/repositories/sites';
import { listHabits } from '~/server/store/repositories/stepHabits';
import { writeJob } from './acceptance';
import { readyAfter, wantsOf, type SitePlace } from './sitting';

/**
 * Takes up a site of a whole board's job: the one asked for, else the next that is not done. One that is under way or
 * was stopped in the middle is gone on with. Any other is solved from the record as it is now, in the way that was
 * decided on where that still keeps every limit, and its steps leave out what stands ready.
 */
export async function takeUp(
  db: Db,
  planner: Planner,
  boardId: string,
  recapId: string,
  { by, siteId: wanted }: TakeUp,
  now_ms: () => number,
  id = newId('job'),
): Promise<{ jobId: string }> {
  const recap = getRecap(db, boardId, recapId);
  const open = openBoard(db, boardId);
  const standing = roundStanding(recap, open.jobs, open.occupancies);
  const next = wanted === undefined ? standing.next : standing.sites.find((s) => s.siteId === wanted);
  if (!next) throw new Conflict('every part of this whole board is done; clean it, dry it and test it');
  if (next.status === 'under-way' || next.status === 'stopped') return { jobId: next.jobId! };
  const busy = standing.sites.find((s) => s.status === 'under-way');
  const site = siteIn(open, next.siteId);
  if (busy)
    throw new Conflict(
      `${siteIn(open, busy.siteId).ref} is under way; finish or close it before ${site.ref} is begun`,
    );

  const goal: Goal = isEmpty(open.occupancies.get(site.id) ?? AS_IT_CAME) ? 'fit' : 'replace';
  const { input, inputsKey } = planningFor(db, site.id, { goal, by });
  const answer = await solved(planner, input, decided(recap, site.ref, goal), site.ref);
  if (planningFor(db, site.id, { goal, by }).inputsKey !== inputsKey) throw recordMovedOn();
  const own = edited(answer.steps, habitOf(db, answer), addedStep);
  const steps = roundSteps(own, placeIn(db, recap, open, site, answer, now_ms()), addedStep);
  const choices = choicesIn(answer);
  const draft = { id, siteId: site.id, recapId, goal, by, choices, input, answer, steps };
  return { jobId: writeJob(db, draft, now_ms()).job.id };
}

const siteIn = ({ sites }: OpenBoard, id: string): SiteWithPads => sites.find((s) => s.id === id)!;

/** What was decided on for a site: a setting for each phase of the goal; null where it is not all there. */
function decided({ answer }: RecapRecord, ref: string, goal: Goal): ChoiceInput[] | null {
  const told = answer.sites.find((s) => s.ref === ref);
  const choices = phasesOf(goal).map((phase) => {
    const option = (phase === 'remove' ? told?.off : told?.on)?.option;
    return option ? choiceOfOption(phase, option) : null;
  });
  return choices.every((choice) => choice !== null) ? choices : null;
}

/** The way that was decided on, proved here with its neighbours; another where that breaks a limit by now. */
async function solved(
  planner: Planner,
  input: PlanInput,
  choices: ChoiceInput[] | null,
  ref: string,
): Promise<FoundAnswer> {
  const onBench = choices?.every((c) => input.bench.some((tool) => tool.id === c.setting.toolId));
  if (choices && onBench) {
    const told = await asked(planner, { kind: 'explore', input, choices });
    if (keepsLimits(told)) return told;
  }
  const found = await asked(planner, { kind: 'plan', input });
  if (found.outcome === 'found') return found;
  throw new Conflict(`no way of doing ${ref} keeps every limit as the board is now; plan it on its own`);
}

/** What this workshop always changes about the steps of a way. */
const habitOf = (db: Db, answer: FoundAnswer): readonly StepEdit[] =>
  listHabits(db).find((habit) => habit.method === answer.chosen.method)?.edits ?? [];

const keepsLimits = (answer: FoundAnswer): boolean =>
  phasesIn(answer).every(
    ({ chosen, pins }) =>
      chosen.feasible && chosen.neighboursAtRisk.length === 0 && pins.every((pin) => pin.sure),
  );

function placeIn(
  db: Db,
  recap: RecapRecord,
  open: OpenBoard,
  site: SiteWithPads,
  answer: FoundAnswer,
  now_ms: number,
): RoundPlace {
  const area = areasOf(
    recap.siteIds.flatMap((id) => {
      const s = open.sites.find((other) => other.id === id);
      return s ? [{ ref: s.id, x_m: s.x_mm / 1e3, y_m: s.y_mm / 1e3 }] : [];
    }),
  );
  const placeOf = (id: string): SitePlace => ({
    area: area.get(id) ?? -1,
    value: valueOf(siteIn(open, id)),
  });
  const before = jobsOfBoard(db, recap.boardId)
    .filter(({ job }) => job.recapId === recap.id)
    .reverse();
  const ready = readyAfter(before, placeOf, now_ms);
  const line = recap.answer.picks.find((p) => p.refs.includes(site.ref));
  const { sites } = roundStanding(recap, open.jobs, open.occupancies);
  const next = sites.find((s) => s.status !== 'done' && s.siteId !== site.id);
  return {
    ref: site.ref,
    value: valueOf(site),
    by: recap.order,
    // A bench that was left has cooled meanwhile.
    wait_s: ready.discharged ? 60 * waitIn(recap, site.ref) : 0,
    todo: takenUp(ready, wantsOf(phasesIn(answer), placeOf(site.id))).todo,
    lookAlikes: recap.answer.picks.filter((p) => line?.lookAlikes.includes(p.value)),
    next: next ? { ref: siteIn(open, next.siteId).ref, value: valueOf(siteIn(open, next.siteId)) } : null,
    uncleaned: uncleanedSites(open.jobs).map((id) => siteIn(open, id).ref),
  };
}

/** The wait for a warm neighbour in the order that was decided on, min. */
const waitIn = ({ order, answer }: RecapRecord, ref: string): number =>
  (order === 'value' ? answer.byValue : answer.byArea).legs.find((leg) => leg.ref === ref)?.wait_min ?? 0;

const valueOf = ({ ref, value }: Pick<SiteWithPads, 'ref' | 'value'>): string => value || ref;
