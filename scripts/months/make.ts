import { uniformStream } from '~/core/statistics/random';
import { OUTCOMES, type Outcome } from '~/core/record/outcomes';
import { newBoard } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { writeMonths, type PackedMonths } from '~/server/demo/months';
import { factsOf } from '~/server/outcomes/factsOf';
import { ensureRig } from '~/server/rig/firstRig';
import { openDatabase, type Db } from '~/server/store/db';
import { addBoard } from '~/server/store/repositories/boards';
import { addSite } from '~/server/store/repositories/sites';
import { countedOf } from '~/server/store/repositories/trackRecord';
import { HiddenBench } from './hidden';
import { worked, type Making } from './job';
import { FROM, PEOPLE, RECIPES, TRUTH, UNTIL, type Kind, type Recipe } from './recipes';
import { BAD_PART, stock } from './stock';
import { planned, type Template } from './templates';
import { atWork, picked, schedule, type Visit } from './visits';

const SEED = 20_260_330;
const DAY_ms = 86_400_000;
const HOUR_ms = 3_600_000;

/** The packed months: planned, walked and costed in a database of their own. */
export async function makeMonths(tell: (line: string) => void): Promise<PackedMonths> {
  const db = openDatabase(':memory:', 'src/server/store/migrations');
  ensureRig(db, FROM - 30 * DAY_ms);
  const random = uniformStream(SEED);
  const bench = new HiddenBench(random);
  const months: PackedMonths = {
    boards: [],
    templates: [],
    jobs: [],
    facts: [],
    entries: [],
    parts: stock(),
  };
  const templates = new Map<string, Template>();
  const templateOf = async (recipe: Recipe): Promise<Template> => {
    const key = `${recipe.of} ${recipe.ref} ${recipe.goal} ${recipe.method ?? ''}`;
    const known = templates.get(key);
    if (known) return known;
    const made = await planned(db, recipe, months.templates.length, FROM - 20 * DAY_ms);
    tell(
      `${recipe.of} ${recipe.ref}, ${recipe.goal}: ${made.job.plan.phases.map((p) => p.chosen.method).join(', ')}`,
    );
    templates.set(key, made);
    const { request, plan: kept, modelVersion, goal } = made.job;
    const counted = countedOf(kept);
    months.templates.push({ ref: recipe.ref, goal, ...counted, modelVersion, ...request, plan: kept });
    return made;
  };
  const visits = schedule(random);
  for (const [i, visit] of visits.entries()) {
    addBoards(db, months, visit.kind, visit.name, visit.at_ms, random);
    await visited(db, months, visit, i + 1, { random, bench, templateOf });
    if (i % 10 === 0) tell(`${i} of ${visits.length} visits, ${months.jobs.length} jobs`);
  }
  return recounted(months);
}

/** The same months with what is counted of them, once they are written as any first start writes them. */
export function recounted(months: PackedMonths): PackedMonths {
  const db = openDatabase(':memory:', 'src/server/store/migrations');
  writeMonths(db, months, UNTIL + 30 * DAY_ms);
  return { ...months, facts: months.jobs.map(({ id }) => ({ ...factsOf(db, id)! })) };
}

const boardIdOf = (name: string): string => `sample-${name.toLowerCase().replace(/\W+/g, '-')}`;

function addBoards(
  db: Db,
  months: PackedMonths,
  kind: Kind,
  name: string,
  at_ms: number,
  random: () => number,
): void {
  const id = boardIdOf(name);
  if (months.boards.some((b) => b.id === id)) return;
  const demo = DEMO_BOARDS.find((b) => b.id === kind.of)!;
  const [from, to] = kind.madeIn;
  const madeIn = from + Math.floor(random() * (to - from + 1));
  const fault = 'Sample of the invented workshop’s earlier months.';
  months.boards.push({ id, of: kind.of, name, fault, madeIn, at_ms: Math.round(at_ms) });
  addBoard(db, newBoard.parse({ ...demo.board, name, fault, madeIn }), Math.round(at_ms), id);
  for (const site of demo.sites) addSite(db, id, newSite.parse(site), `${id}-${site.ref}`);
}

/** One visit of a board: its jobs, one after another, and its way back. */
async function visited(
  db: Db,
  months: PackedMonths,
  visit: Visit,
  number: number,
  making: Making,
): Promise<void> {
  const { random } = making;
  const board = boardIdOf(visit.name);
  const entry = (by: string, at_ms: number, body: object): void =>
    void months.entries.push({ board, by, at_ms: Math.round(at_ms), body });
  const before = months.jobs.filter((j) => j.board === board);
  if (before.length > 0) entry('RT', visit.at_ms, { kind: 'reopened', reason: 'Came back from the field.' });
  const back = before.find(
    (j) => j.part === BAD_PART && !before.some((k) => k !== j && k.cause.startsWith('The capacitor')),
  );
  const recipes = RECIPES.filter((r) => r.of === visit.kind.of);
  const again =
    back && random() < TRUTH.badBatch.returns * 2
      ? recipes.find((r) => r.ref === months.templates[back.template]!.ref)
      : undefined;
  const wanted = again ? [again] : picked(recipes, 2 + Math.floor(random() * 3), random);
  let at_ms = visit.at_ms + (1 + 20 * random()) * HOUR_ms;
  let worst: Outcome = 'fixed';
  for (const [i, recipe] of wanted.entries()) {
    at_ms = atWork(at_ms);
    const made = await worked(
      db,
      months,
      { board, id: `sample-${number}-${i + 1}`, recipe, at_ms, returned: again !== undefined },
      making,
    );
    at_ms = made.ended_ms + (0.3 + 3 * random()) * HOUR_ms;
    if (OUTCOMES.indexOf(made.outcome) > OUTCOMES.indexOf(worst)) worst = made.outcome;
  }
  const by = PEOPLE[Math.floor(random() * PEOPLE.length)]!;
  at_ms = atWork(at_ms + 2 * HOUR_ms);
  entry(by, at_ms, { kind: 'tested', how: 'On the bench supply, warm and cold.', passed: worst === 'fixed' });
  entry(by, at_ms + 0.2 * HOUR_ms, { kind: 'handed-back', outcome: worst, cause: '' });
}
