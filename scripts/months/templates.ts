import { plan } from '~/core/method/plan/plan';
import { inOneGo } from '~/core/stepwise';
import { newBoard } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { acceptPlan, type JobRecord } from '~/schema/records/jobs/job';
import { choiceOfOption, choicesIn } from '~/schema/exchange/plan/optionChoice';
import { phasesIn } from '~/schema/exchange/plan/phasesIn';
import type { FoundAnswer } from '~/schema/exchange/plan/planAnswer';
import { planAnswerOf } from '~/schema/exchange/plan/planAnswerOf';
import type { ChoiceInput, PlanInput } from '~/schema/exchange/plan/planRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { acceptJob, solvedHere, type Solve } from '~/server/jobs/acceptance';
import { phasesGiven } from '~/server/jobs/phasesGiven';
import { planningFor } from '~/server/plans/sitePlanning';
import type { Db } from '~/server/store/db';
import { addBoard } from '~/server/store/repositories/boards';
import { addSite } from '~/server/store/repositories/sites';
import { linesOf, type Lines } from './hidden';
import type { Recipe } from './recipes';

/** A recipe planned once: every job of it is walked by the same plan. */
export interface Template {
  readonly recipe: Recipe;
  readonly index: number;
  readonly job: JobRecord;
  readonly answer: FoundAnswer;
  readonly lines: ReadonlyMap<string, Lines>;
}

/** Plans a recipe on its demo board, by the way it names where that works there. */
export async function planned(db: Db, recipe: Recipe, index: number, at_ms: number): Promise<Template> {
  const demo = DEMO_BOARDS.find((b) => b.id === recipe.of)!;
  const id = `template-${index}`;
  addBoard(db, newBoard.parse(demo.board), at_ms, id);
  for (const site of demo.sites) addSite(db, id, newSite.parse(site), `${id}-${site.ref}`);
  const siteId = `${id}-${recipe.ref}`;
  const wanted = { goal: recipe.goal, by: 'RT' };
  const { input, inputsKey } = planningFor(db, siteId, wanted);
  const choices = choose(input, recipe);
  let answer: FoundAnswer | null = null;
  const solve: Solve = async (asked, chosen) => (answer = await solvedHere(asked, chosen));
  const { job } = await acceptJob(
    db,
    acceptPlan.parse({ siteId, ...wanted, inputsKey, choices }),
    solve,
    () => at_ms,
    id,
  );
  return {
    recipe,
    index,
    job,
    answer: answer!,
    lines: new Map(phasesGiven(db, job).map(([p, given]) => [p, linesOf(given)])),
  };
}

function choose(input: PlanInput, { method, ref }: Recipe): ChoiceInput[] {
  const answer = planAnswerOf(inOneGo(plan(planRequestOf(input))));
  if (answer.outcome === 'not-converged') throw new Error(`${ref} did not converge`);
  if (answer.outcome === 'no-feasible-setting') {
    const option = answer.remedies.find((r) => r.works && r.onBench && r.option)?.option ?? answer.nearest;
    if (!option) throw new Error(`${ref} has no way`);
    return [choiceOfOption(answer.phase, option)];
  }
  const [first, ...others] = choicesIn(answer);
  const option = phasesIn(answer)[0]!.methods.find((m) => m.id === method)?.option;
  return [option ? choiceOfOption(first!.phase, option) : first!, ...others];
}
