import { PLAN } from '~/core/method/settings';
import { bindingInWords, type OptionAnswer, type PinAnswer } from '~/schema/planAnswer';
import { settingInWords } from '~/schema/words';
import { Button, CommandButton } from '~/ui/controls/Button';
import { PLAN_COMMANDS, type PlanCommand } from './commands';
import { freshPins, verdictOf, type PlanState } from './state';
import css from './plan.module.css';

const command = (id: PlanCommand) => PLAN_COMMANDS.find((c) => c.id === id)!;

/** The setting in one line, whether it will do, and the way on. */
export function Proposal({
  state,
  iron,
  run,
  onTake,
}: {
  state: PlanState;
  iron: string;
  run: (id: PlanCommand) => void;
  onTake: (option: OptionAnswer) => void;
}) {
  const { setting, search } = state;
  const pins = freshPins(state);
  const solving = state.exploration.status === 'running' || state.exploration.status === 'idle';
  const verdict =
    state.exploration.status === 'done' ? verdictOf(pins, state.exploration.answer.pins.length) : 'computing';
  const busy = search.status === 'running' || state.exploration.status === 'running';
  return (
    <div className={css['proposal']}>
      <div>
        <p className={css['line']}>
          {setting ? settingInWords({ ...setting, tool: iron }) : 'Searching the bench for a setting'}
          {!state.byHand && search.status === 'done' && search.answer.outcome === 'found' && (
            <span className={css['tag']}>the plan’s choice</span>
          )}
        </p>
        <p className={css[verdict]} role="status" data-verdict={verdict}>
          {verdict === 'clear' && clearInWords(pins)}
          {verdict === 'doubtful' && doubtInWords(state)}
          {verdict === 'computing' &&
            (solving ? progressInWords(state) : 'Stopped before the bands were complete.')}
        </p>
        {state.exploration.status === 'failed' && (
          <p className={css['doubtful']}>
            The computation failed: {state.exploration.message}. Change the setting to try again.
          </p>
        )}
        {search.status === 'failed' && (
          <p className={css['doubtful']}>The search failed: {search.message}. Set the iron by hand.</p>
        )}
        {busy && (
          <div className={css['progress']}>
            <progress max={1} value={progressShare(state)} aria-label="Computing" />
            <CommandButton small look="plain" command={command('cancel')} run={run} />
          </div>
        )}
      </div>
      <CommandButton
        command={command('accept')}
        label={state.accepting ? 'Writing the job…' : 'Accept and run'}
        look="primary"
        run={run}
        disabled={state.accepting || state.exploration.status !== 'done'}
      />
      {search.status === 'done' && search.answer.outcome === 'no-feasible-setting' && (
        <div className={css['infeasible']}>
          <p>
            <strong>Nothing on this bench keeps every limit with the board cold.</strong> Nearest:{' '}
            {settingInWords(search.answer.nearest)}, where pin {search.answer.binding.pad}{' '}
            {bindingInWords(search.answer.binding)}.
          </p>
          {search.answer.methods
            .flatMap((m) => (m.feasible ? [] : m.reasons))
            .map((reason) => (
              <p key={reason}>{reason}</p>
            ))}
          <ul>
            {search.answer.remedies.map((remedy) => (
              <li key={remedy.kind}>
                <span>
                  <strong>{remedy.works ? 'Would do' : 'Would not do'}:</strong> {remedy.changes};{' '}
                  {remedy.achieves}.
                </span>
                {remedy.works && remedy.kind === 'preheat' && (
                  <Button small onClick={() => onTake(remedy.option)}>
                    Set it
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </div>
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

function clearInWords(pins: readonly PinAnswer[]): string {
  const worst = pins.reduce((a, b) => (b.chanceSolidAtStop > a.chanceSolidAtStop ? b : a));
  return worst.chanceSolidAtStop < 0.02
    ? 'Every pin melts well before its stop.'
    : `Will do. Pin ${worst.pad} is still solid at its stop in ${Math.round(worst.chanceSolidAtStop * 100)} of 100 cases.`;
}

function doubtInWords(state: PlanState): string {
  const doubtful = freshPins(state).filter((pin) => !pin.sure);
  const worst = doubtful.reduce((a, b) => (b.chanceSolidAtStop > a.chanceSolidAtStop ? b : a));
  const late = worst.liftFrom_s === null || worst.liftFrom_s > worst.stop_s;
  if (late || worst.chanceSolidAtStop > worst.draws ** -0.5) {
    return `Pin ${worst.pad} is still solid at its stop in ${Math.round(worst.chanceSolidAtStop * 100)} of 100 cases. Have the next way ready.`;
  }
  return `Pin ${worst.pad} leaves ${worst.holdAfterMelt_s.toFixed(1)} s between melt and its ${worst.stopBecause}: too little to lift without haste.`;
}

function progressInWords(state: PlanState): string {
  if (state.search.status === 'running' && !state.setting) {
    return `Trying settings: ${state.search.done} of ${state.search.of}`;
  }
  const drawing = freshPins(state);
  return drawing.length
    ? `Drawing what is uncertain: ${Math.min(...drawing.map((p) => p.draws))} of ${DRAWS}`
    : 'Solving this setting';
}

function progressShare(state: PlanState): number | undefined {
  if (state.search.status === 'running' && !state.setting) return state.search.done / state.search.of;
  const drawn = freshPins(state).reduce((sum, p) => sum + p.draws, 0);
  return state.curves.length ? drawn / (DRAWS * state.curves.length) : undefined;
}

const DRAWS = PLAN.draws;
