import { touchInWords } from '~/core/method/bindingWords';
import type { Goal } from '~/core/method/goals';
import { AIR, PLAN } from '~/core/method/settings';
import type { NoPlanAnswer, OptionAnswer, PinAnswer } from '~/schema/exchange/plan/planAnswer';
import { choiceInWords, settingInWords } from '~/schema/words/settingWords';
import { learntInWords } from '~/schema/words/lessonWords';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import { Button, CommandButton } from '~/ui/controls/Button';
import { planCommand, type PlanCommand } from './commands';
import { choiceAt, freshPins, isBusy, phaseOf, verdictOf, type PlanState } from './state';
import css from './plan.module.css';

/** The setting in one line, whether it will do, and the way on. */
export function Proposal({
  state,
  tool,
  learntBefore,
  run,
  onTake,
  onGoal,
}: {
  state: PlanState;
  tool: string;
  /** What earlier jobs have told of the bench's tips. */
  learntBefore?: PlanInput['learnt'];
  run: (id: PlanCommand) => void;
  onTake: (option: OptionAnswer) => void;
  onGoal: (goal: Goal) => void;
}) {
  const { search } = state;
  const choice = choiceAt(state);
  const pins = freshPins(state);
  const solving = state.exploration.status === 'running' || state.exploration.status === 'idle';
  const verdict = state.exploration.status === 'done' ? verdictOf(pins, pins.length || 1) : 'computing';
  const atRisk = tooHot(state);
  const shown = verdict === 'clear' && atRisk.length > 0 ? 'doubtful' : verdict;
  const failure = failureInWords(state);
  const option = phaseOf(state).option;
  const learnt = choice && learntInWords(learntBefore, choice.setting);
  return (
    <div className={css['proposal']}>
      <div>
        <p className={css['line']}>
          {choice
            ? choiceInWords(choice, tool)
            : isBusy(state)
              ? 'Searching the bench for a setting'
              : 'No setting yet'}
          {!state.byHand && search.status === 'done' && search.answer.outcome === 'found' && (
            <span className={css['tag']}>recommended</span>
          )}
        </p>
        <p
          className={css[shown === 'clear' && isUnsure(pins) ? 'unsure' : shown]}
          role="status"
          data-verdict={shown}
        >
          {atRisk.length > 0 && `${atRisk.join(', ')} would get too hot: shield, or go gentler. `}
          {shown === 'clear' && clearInWords(pins)}
          {verdict === 'doubtful' && doubtInWords(state)}
          {verdict === 'computing' &&
            !failure &&
            (solving ? progressInWords(state) : 'Stopped before all cases were simulated.')}
        </p>
        {option && option.rampRatio !== null && option.rampRatio > AIR.toldRamp && (
          <p className="quiet">
            Its body rises {option.rampRatio.toFixed(1)} times as fast as it should: warmer from below or
            cooler air is kinder.
          </p>
        )}
        {learnt && <p className="quiet">{learnt}</p>}
        {failure && (
          <p className={css['doubtful']} role="alert">
            {failure}
          </p>
        )}
        {isBusy(state) && (
          <div className={css['progress']}>
            <progress max={1} value={progressShare(state)} aria-label="Computing" />
            <CommandButton small look="plain" command={planCommand('cancel')} run={run} />
          </div>
        )}
      </div>
      <CommandButton
        command={planCommand('accept')}
        label={state.accepting ? 'Writing the job…' : 'Accept and run'}
        look="primary"
        run={run}
        disabled={state.accepting || state.exploration.status !== 'done'}
      />
      {search.status === 'done' && search.answer.outcome === 'no-feasible-setting' && (
        <Infeasible answer={search.answer} onTake={onTake} onGoal={onGoal} />
      )}
      {search.status === 'done' && search.answer.outcome === 'not-converged' && (
        <p className={css['infeasible']}>
          The model did not converge for pin {search.answer.pad}. Check the site’s dimensions; nothing here
          should be trusted for it.
        </p>
      )}
    </div>
  );
}

/** Changes that are a setting and nothing else: one press takes them. */
const SETTABLE: ReadonlySet<string> = new Set([
  'preheat',
  'wider-tip',
  'wider-tip-and-preheat',
  'shield',
  'fresh-solder',
]);

/** Nothing will do: what came nearest, which limit stops it, and what was solved again. */
function Infeasible({
  answer,
  onTake,
  onGoal,
}: {
  answer: NoPlanAnswer;
  onTake: (option: OptionAnswer) => void;
  onGoal: (goal: Goal) => void;
}) {
  const { before } = answer;
  const able = answer.remedies.filter((r) => r.works);
  const unable = answer.remedies.filter((r) => !r.works);
  return (
    <div className={css['infeasible']}>
      <p>
        <strong>Nothing on this bench keeps every limit as things stand.</strong>{' '}
        {answer.nearest
          ? `Nearest: ${settingInWords(answer.nearest)}, where ${touchInWords(answer.binding.pad)} ${answer.binding.says}.`
          : 'No way can be used here; their reasons stand beside them.'}
      </p>
      {before && (
        <p>
          The part can come off all the same: {settingInWords(before.plan.chosen)}. How the new one goes on
          has to be settled before it does.{' '}
          <Button small onClick={() => onGoal(before.goal)}>
            Plan the removal alone
          </Button>
        </p>
      )}
      {able.length === 0 && unable.length > 0 && (
        <p>
          No change that was solved will do either. What is left: leave the part, solder to its leads above
          the board, or take it to a bench that heats both faces at once.
        </p>
      )}
      <ul>
        {able.map((remedy) => (
          <li key={`${remedy.kind} ${remedy.changes}`}>
            <span>
              <strong>Would do:</strong> {remedy.changes}; {remedy.achieves}.
            </span>
            {remedy.onBench && SETTABLE.has(remedy.kind) && (
              <Button small onClick={() => onTake(remedy.option)}>
                Set it
              </Button>
            )}
            {remedy.kind === 'give-up-the-part' && (
              <Button small onClick={() => onGoal('remove-sacrifice-part')}>
                Give it up
              </Button>
            )}
          </li>
        ))}
      </ul>
      {unable.length > 0 && (
        <details>
          <summary>
            {unable.length === 1 ? 'One change was' : `${unable.length} changes were`} solved and would not do
          </summary>
          <ul>
            {unable.map((remedy) => (
              <li key={`${remedy.kind} ${remedy.changes}`}>
                <span>
                  {remedy.changes}; {remedy.achieves}.
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

/** Neighbours that the setting at hand would take past their limits. */
function tooHot(state: PlanState): readonly string[] {
  if (state.exploration.status !== 'done') return [];
  const { answer } = state.exploration;
  const phase = [answer, ...answer.then].find((p) => p.phase === state.phase);
  return phase?.chosen.neighboursAtRisk ?? [];
}

/** A miss as often as this is worth a word and a sign. */
const UNSURE = 0.05;

const worstOf = (pins: readonly PinAnswer[]): PinAnswer =>
  pins.reduce((a, b) => (b.chanceSolidAtStop > a.chanceSolidAtStop ? b : a));

const isUnsure = (pins: readonly PinAnswer[]): boolean =>
  pins.length > 0 && worstOf(pins).chanceSolidAtStop > UNSURE;

function clearInWords(pins: readonly PinAnswer[]): string {
  const { pad, chanceSolidAtStop } = worstOf(pins);
  if (chanceSolidAtStop <= UNSURE) return '✓ Every joint melts well before its stop.';
  const which = pad === 'all' ? 'it' : `pin ${pad}`;
  return `! About 1 in ${Math.round(1 / chanceSolidAtStop)} will need a second try: ${which} is still solid at the stop.`;
}

const stillSolid = (pad: string): string =>
  pad === 'all' ? 'Not all joints are liquid at the stop' : `Pin ${pad} is still solid at its stop`;

function doubtInWords(state: PlanState): string {
  const doubtful = freshPins(state).filter((pin) => !pin.sure);
  const worst = worstOf(doubtful);
  const late = worst.liftFrom_s === null || worst.liftFrom_s > worst.stop_s;
  if (late || worst.chanceSolidAtStop > worst.draws ** -0.5) {
    return `${stillSolid(worst.pad)} in ${Math.round(worst.chanceSolidAtStop * 100)} of 100 cases. Have the next way ready.`;
  }
  return `${worst.pad === 'all' ? 'This' : `Pin ${worst.pad}`} leaves ${worst.holdAfterMelt_s.toFixed(1)} s between melt and its ${worst.stopBecause}: too little to lift without haste.`;
}

/** What failed, and what can be done; told once where both halves failed alike. */
function failureInWords({ search, exploration }: PlanState): string | null {
  if (exploration.status === 'failed')
    return `The computation failed: ${exploration.message}. Change the setting to try again.`;
  if (search.status === 'failed')
    return `The search failed: ${search.message}. Set the tool by hand, or change the goal to search again.`;
  return null;
}

function progressInWords(state: PlanState): string {
  if (state.search.status === 'running' && state.search.remedies) {
    return `Nothing here keeps every limit yet. Solving what could be changed: ${state.search.done + 1} of ${state.search.of}`;
  }
  if (state.search.status === 'running' && state.choices.length === 0) {
    return `Trying settings: ${state.search.done} of ${state.search.of}`;
  }
  const drawn = freshPins(state).reduce((sum, p) => sum + p.draws, 0);
  return drawn > 0 ? `Simulating what is uncertain: ${drawn} cases so far` : 'Solving this setting';
}

function progressShare(state: PlanState): number | undefined {
  if (state.search.status === 'running' && (state.search.remedies || state.choices.length === 0))
    return state.search.done / state.search.of;
  const { curves } = phaseOf(state);
  const drawn = freshPins(state).reduce((sum, p) => sum + p.draws, 0);
  const touches = choiceAt(state)?.setting.kind === 'air' ? 1 : curves.length;
  return touches ? Math.min(1, drawn / (drawsOf(state) * touches)) : undefined;
}

/** Draws that the band of the setting at hand takes. */
const drawsOf = (state: PlanState): number =>
  choiceAt(state)?.setting.kind === 'air' ? AIR.draws : PLAN.draws;
