import { OUTCOMES, type Outcome } from '~/core/record/outcomes';
import { ROOT_CAUSES, type RootCauseId } from '~/core/record/rootCauses';
import { acceptPlan } from '~/schema/records/jobs/job';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';
import { tipInWords } from '~/schema/words/settingWords';
import { acceptJob } from '~/server/jobs/acceptance';
import { appendCosted } from '~/server/jobs/costs';
import { exposureFor } from '~/server/jobs/exposure';
import { planningFor } from '~/server/plans/sitePlanning';
import type { PackedMonths } from '~/server/demo/months';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { getJob } from '~/server/store/repositories/jobs';
import type { HiddenBench } from './hidden';
import { PEOPLE, TRUTH, type Recipe } from './recipes';
import { BAD_PART, GOOD_PART } from './stock';
import type { Template } from './templates';
import { walked } from './walk';

type Random = () => number;
type Entries = PackedMonths['jobs'][number]['events'];

export interface Making {
  readonly random: Random;
  readonly bench: HiddenBench;
  readonly templateOf: (recipe: Recipe) => Promise<Template>;
}

export interface Wanted {
  readonly board: string;
  readonly id: string;
  readonly recipe: Recipe;
  readonly at_ms: number;
  /** It came back for a part that was bad. */
  readonly returned: boolean;
}

/** One job: walked on the hidden bench, with what went wrong, written and read back. */
export async function worked(
  db: Db,
  months: PackedMonths,
  { board, id, recipe, at_ms, returned }: Wanted,
  { random, bench, templateOf }: Making,
): Promise<{ ended_ms: number; outcome: Outcome }> {
  const template = await templateOf(recipe);
  const { plan: jobPlan } = template.job;
  const by = PEOPLE[Math.floor(random() * PEOPLE.length)]!;
  const { chosen } = jobPlan.phases[0]!;
  const worn = tipInWords(chosen) === TRUTH.wornTip.tip && at_ms >= Date.parse(TRUTH.wornTip.from);
  const { asks_V } = getBoard(db, board);
  const entries = walked(jobPlan, template.lines, bench, {
    board,
    slower_sd: worn ? TRUTH.wornTip.slower_sd : 0,
    asks_V: asks_V ?? 24,
    random,
  });
  const found = harmed(template, { worn, random, laminate: getBoard(db, board).construction.laminate });
  const capacitor = recipe.ref.startsWith('C') && recipe.goal === 'replace';
  const bad =
    at_ms >= Date.parse(TRUTH.badBatch.from) && at_ms < Date.parse(TRUTH.badBatch.to) && random() < 0.6;
  const rootCause = causeOf(recipe, returned, random);
  const outcome = outcomeOf(found.length > 0, random);
  const events = await written(db, { board, id, by, at_ms: Math.round(at_ms), template }, entries, {
    kind: 'closed',
    outcome,
    cause: returned
      ? 'The capacitor that was new is bad.'
      : `${ROOT_CAUSES[rootCause].charAt(0).toUpperCase()}${ROOT_CAUSES[rootCause].slice(1)}.`,
    rootCause,
  });
  const ended_ms = Math.round(at_ms) + events.reduce((sum, [after]) => sum + after, 0);
  months.jobs.push({
    id,
    board,
    template: template.index,
    by,
    acceptedAt_ms: Math.round(at_ms),
    outcome,
    cause: (events.at(-1)![1] as { cause: string }).cause,
    events,
    findings: found.map((f) => ({ ...f, at_ms: ended_ms - 300_000 })),
    part: capacitor ? (bad && !returned ? BAD_PART : GOOD_PART) : null,
  });
  return { ended_ms, outcome };
}

/** Writes the entries through the door of real ones, each heat with its cost, and reads them back. */
async function written(
  db: Db,
  {
    board,
    id,
    by,
    at_ms,
    template,
  }: { board: string; id: string; by: string; at_ms: number; template: Template },
  entries: ReturnType<typeof walked>,
  closing: WritableEvent,
): Promise<Entries> {
  const siteId = `${board}-${template.recipe.ref}`;
  const { job } = template;
  const { inputsKey } = planningFor(db, siteId, { goal: job.goal, by });
  const answerOf = job.request.choices as ChoiceInput[];
  await acceptJob(
    db,
    acceptPlan.parse({ siteId, goal: job.goal, by, inputsKey, choices: answerOf }),
    () => Promise.resolve(template.answer),
    () => at_ms,
    id,
  );
  let time_ms = at_ms;
  [...entries, { event: closing, after_ms: 90_000 }].forEach(({ event, after_ms }, i) => {
    time_ms += after_ms;
    const { lastSeq } = getJob(db, id).job;
    appendCosted(db, id, { clientId: `${id}-e${i}`, afterSeq: lastSeq, by, event }, time_ms, exposureFor(db));
  });
  const { events } = getJob(db, id);
  return events.map(({ seq: _seq, at_ms: on_ms, by: _by, ...body }, i) => [
    i === 0 ? 0 : on_ms - events[i - 1]!.at_ms,
    body as Record<string, unknown>,
  ]);
}

/** What went wrong on the pads of one job: as often as the truth of that bench has it. */
function harmed(
  { job, recipe }: Template,
  { worn, random, laminate }: { worn: boolean; random: Random; laminate: string },
): Omit<PackedMonths['jobs'][number]['findings'][number], 'at_ms'>[] {
  const { site, phases } = job.plan;
  const { chosen, pins } = phases[0]!;
  const pads = [...new Set(pins.flatMap((pin) => (pin.pads.length > 0 ? pin.pads : [pin.pad])))];
  const pulls = chosen.method === TRUTH.lifts.method && laminate === TRUTH.lifts.laminate;
  const lifted = pulls ? TRUTH.lifts.share : TRUTH.usual.lifted;
  const bridged = worn ? TRUTH.wornTip.bridges : TRUTH.usual.bridged;
  const at = (pad: string) => ({ site: recipe.ref, pad, other: null });
  return pads.flatMap((pad, i) => {
    if (random() < lifted)
      return [
        { ...at(pad), state: random() < 0.1 ? 'torn' : 'lifted', note: 'Came up with the lead.' },
        { ...at(pad), state: 'repaired', note: 'Bonded down, read again.' },
      ];
    const other = pads[i + 1];
    if (other !== undefined && pads.length > 2 && random() < bridged)
      return [
        { site: site.ref, pad, state: 'bridged', other, note: 'Solder between two pins.' },
        { ...at(pad), state: 'sound', note: 'Wicked, open again.' },
      ];
    return [];
  });
}

function causeOf({ causes }: Recipe, returned: boolean, random: Random): RootCauseId {
  if (returned) return 'bad-part';
  const mistake = random();
  if (mistake < TRUTH.usual.wrongPart)
    return mistake < TRUTH.usual.wrongPart / 2 ? 'wrong-part' : 'turned-part';
  return causes[Math.floor(random() * causes.length)]!;
}

/** What comes of a job, with how often; a harmed one is fixed less often. */
const CAME_TO: readonly (readonly [Outcome, number])[] = [
  ['fixed', 0.82],
  ['improved', 0.07],
  ['unchanged', 0.08],
  ['worse', 0.02],
  ['scrapped', 0.01],
];

function outcomeOf(harm: boolean, random: Random): Outcome {
  let pick = random() * (harm ? 1.1 : 1);
  return CAME_TO.find(([, share]) => (pick -= share) < 0)?.[0] ?? OUTCOMES[0];
}
