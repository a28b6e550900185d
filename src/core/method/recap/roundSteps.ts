import { PAUSE_STEP } from '~/core/record/round';
import { refsInWords } from '~/core/record/refsInWords';
import type { StepEdit } from '../steps/edits';
import type { Preparation } from './readiness';

/** One value of a whole board's job, and where it goes. */
interface PartLine {
  readonly value: string;
  readonly refs: readonly string[];
}

/** Where a site stands in its whole board's job. */
export interface RoundPlace {
  readonly ref: string;
  readonly value: string;
  readonly by: 'value' | 'area';
  readonly todo: Preparation;
  /** Until a neighbour that was just worked has cooled; 0: no wait. */
  readonly wait_s: number;
  /** Other values that go into the same lands. */
  readonly lookAlikes: readonly PartLine[];
  /** The next one; null after the last. */
  readonly next: { readonly ref: string; readonly value: string } | null;
  /** Sites done before it whose cleaning was left to the end. */
  readonly uncleaned: readonly string[];
}

interface Line {
  readonly id: string;
  readonly detail: string;
}

type Added = Extract<StepEdit, { op: 'add' }>;

/**
 * A site's own steps as one of many: what stands ready is not done again, trays and look-alikes are named, a pause
 * follows the part, and cleaning and drying are for all that was worked. `make` builds a step that is added.
 */
export function roundSteps<L extends Line>(
  steps: readonly L[],
  place: RoundPlace,
  make: (added: Added) => L,
): L[] {
  const { todo } = place;
  const sets = steps.filter((s) => /(^|-)set$/.test(s.id)).map((s) => s.id);
  const soaks = steps.filter((s) => /(^|-)preheat$/.test(s.id)).map((s) => s.id);
  const done = new Set([
    ...(todo.discharge ? [] : steps.filter((s) => isMadeSafe(s.id)).map((s) => s.id)),
    ...sets.filter((_, i) => !(todo.set[i] ?? true)),
    // The board stays on its preheater from the removal to the fit.
    ...soaks.slice(todo.warm ? 1 : 0),
  ]);
  const kept = (place.next ? lookedAtFirst(steps) : steps)
    .filter((s) => !done.has(s.id))
    .flatMap((s): L[] => {
      if (/(^|-)marking$/.test(s.id))
        return [...tray(place).map(make), { ...s, detail: markingWords(place) }];
      if (s.id === 'discharge')
        return [{ ...s, detail: `Every capacitor of the run, this one too. ${s.detail}` }];
      if (s.id === 'baseline')
        return [
          { ...s, detail: `${s.detail} The same at every site of the run, once, before the first heat.` },
        ];
      if (s.id === 'clean') return [...pause(place).map(make), { ...s, detail: cleanWords(s.detail, place) }];
      return [s];
    });
  return [...cooling(place).map(make), ...dischargedFirst(kept, place, make)];
}

/**
 * Capacitors of the whole run are discharged once, before its first part: a step of its own where neither that part nor
 * the board's hazards bring one.
 */
function dischargedFirst<L extends Line>(
  steps: readonly L[],
  { todo }: RoundPlace,
  make: (added: Added) => L,
): L[] {
  if (!todo.discharge || steps.some(({ id }) => id === 'discharge' || id === 'gate-stored-charge'))
    return [...steps];
  const after = steps.findLastIndex(({ id }) => /^gate-(mains|power|eht)$/.test(id)) + 1;
  const step = added(
    'discharge',
    'Discharge the capacitors of the run',
    'Each that will be worked: some hundred ohms across its ends, then below 1 V by meter.',
    'What one still holds goes through the iron, the meter or you.',
  );
  return [...steps.slice(0, after), make(step), ...steps.slice(after)];
}

/** A part that is left uncleaned for now is looked at and read before the next one is begun. */
function lookedAtFirst<L extends Line>(steps: readonly L[]): L[] {
  const from = steps.findIndex((s) => s.id === 'clean');
  if (from < 0) return [...steps];
  const rest = steps.slice(from);
  const ofTheBoard = rest.filter((s) => isShared(s.id));
  return [...steps.slice(0, from), ...rest.filter((s) => !isShared(s.id)), ...ofTheBoard];
}

/** A hazard of the whole board; how far a cell has to stay away is each part's own, and is told at each. */
const isBoardGate = (stepId: string): boolean =>
  (stepId.startsWith('gate-') && stepId !== 'gate-lithium') || stepId === 'static';

/** Done once for all that is worked: the board made safe, its capacitors discharged, its sites read cold. */
const isMadeSafe = (stepId: string): boolean =>
  isBoardGate(stepId) || stepId === 'discharge' || stepId === 'baseline';

/** Whether a step serves more than the part it stands before. */
export const isShared = (stepId: string): boolean =>
  isMadeSafe(stepId) || /(^|-)(set|preheat)$|^(tray|clean|wash|rinse|oven|dry|supply)$/.test(stepId);

const added = (id: string, title: string, detail: string, why: string): Added => ({
  op: 'add',
  id,
  after: '',
  kind: 'gate',
  title,
  detail,
  why,
  wait_s: null,
});

function cooling({ ref, wait_s }: RoundPlace): Added[] {
  if (wait_s <= 0) return [];
  const wait = added(
    'cool-neighbour',
    `Let the place of ${ref} cool`,
    'Its neighbour was just under the iron: until flux on it does not boil off at once.',
    'Worked on while it is warm, its pads take the heat of both.',
  );
  return [{ ...wait, kind: 'wait', wait_s }];
}

function tray({ todo, by, value, lookAlikes }: RoundPlace): Added[] {
  if (!todo.tray) return [];
  const others = lookAlikes.map((o) => o.value).join(' and ');
  return [
    added(
      'tray',
      `Take ${value} from its tray`,
      by === 'value'
        ? `The last tray away first, then this one open alone.${others ? ` ${others} ${lookAlikes.length > 1 ? 'go' : 'goes'} into the same holes.` : ''}`
        : `All trays stand open: read its label before the hand goes in.${others ? ` ${others} ${lookAlikes.length > 1 ? 'go' : 'goes'} into the same holes.` : ''}`,
      'Parts that go into the same pads are told apart by their marking alone.',
    ),
  ];
}

const markingWords = ({ value, lookAlikes }: RoundPlace): string =>
  `It has to be ${value}: value, rating, suffix, read aloud from the part itself.${lookAlikes
    .map((o) => ` Not ${o.value}, which is for ${refsInWords(o.refs)}.`)
    .join('')}`;

function pause({ ref, next }: RoundPlace): Added[] {
  if (!next) return [];
  return [
    added(
      PAUSE_STEP,
      `On to ${next.ref}, or stop here`,
      `${ref} is done. Next is ${next.ref}, ${next.value}. Cleaning, drying and the supply wait for the end. Stopping here, what was worked is cleaned now.`,
      'The bench stands as it is: discharged, set, warm. Left for long, all of that is done again.',
    ),
  ];
}

const cleanWords = (own: string, { ref, uncleaned }: RoundPlace): string =>
  uncleaned.length === 0
    ? own
    : `All that was worked: ${refsInWords([...uncleaned, ref])}. ${own} Every joint looked at once more, part beside part.`;
