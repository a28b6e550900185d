import { SURFACE } from '~/core/materials/surfaces';
import { BOW_LIMIT } from '~/core/thermal/warp';
import { Button, KeyCap } from '~/ui/controls/Button';
import { Figure } from '~/ui/controls/Notes';
import { budget, degrees, seconds } from '~/ui/figures';
import type { AirCommand } from './commands';
import type { AirState } from './state';
import css from './air.module.css';

/** What the run came to, in one line and a row of figures. */
export function Reading({
  state,
  surfaceMount,
  run,
}: {
  state: AirState;
  /** Boards with surface parts may bow less. */
  surfaceMount: boolean;
  run: (id: AirCommand) => void;
}) {
  const { picture } = state;
  const working = state.run.status === 'running' ? state.run : null;
  return (
    <div className={css['reading']}>
      <div>
        <p className={css['line']} data-verdict={picture ? verdictOf(state).kind : undefined}>
          {picture ? verdictOf(state).line : 'Working it out'}
        </p>
        {picture && <Figures state={state} surfaceMount={surfaceMount} />}
      </div>
      {working && (
        <div className={css['working']} role="status">
          <progress max={1} value={working.time_s / working.duration_s} aria-label="Solving the board" />
          <Button small onClick={() => run('cancel')}>
            Stop <KeyCap of="Escape" />
          </Button>
        </div>
      )}
      {state.run.status === 'stopped' && <p className="quiet">Stopped. Change anything to solve again.</p>}
    </div>
  );
}

function verdictOf(state: AirState): { kind: 'good' | 'bad'; line: string } {
  const { answer, lift } = state.picture!;
  if (!lift) {
    const solid = answer.pads.filter((p) => p.fullMelt_s === null).length;
    return {
      kind: 'bad',
      line:
        solid === answer.pads.length
          ? 'Nothing melts through in this time.'
          : `${solid} of ${answer.pads.length} pads stay solid: do not lift.`,
    };
  }
  if (lift.to_s !== null && lift.to_s < lift.from_s) {
    return {
      kind: 'bad',
      line: `All molten and settled at ${seconds(lift.from_s, 0)}, but ${lift.because} at ${seconds(lift.to_s, 0)}.`,
    };
  }
  return {
    kind: 'good',
    line:
      lift.to_s === null
        ? `Lift from ${seconds(lift.from_s, 0)}; ${lift.because}.`
        : `Lift from ${seconds(lift.from_s, 0)} until ${seconds(lift.to_s, 0)}: then ${lift.because}.`,
  };
}

function Figures({ state, surfaceMount }: { state: AirState; surfaceMount: boolean }) {
  const { answer } = state.picture!;
  const dose = Math.max(...answer.pads.map((p) => p.padDose));
  const risky = answer.neighbours.filter((n) => !n.ok);
  const computed = `computed on the board’s grid; jet film ± ${Math.round(100 * SURFACE.jetFilm.uncertainty)} %`;
  const bowLimit_pct = 100 * (surfaceMount ? BOW_LIMIT.surfaceMount : BOW_LIMIT.other);
  const { maxRamp_K_s, rampLimit_K_s } = answer.part;
  return (
    <dl className={css['figures']}>
      <div>
        <dt>part</dt>
        <dd data-over={answer.part.peak_C > answer.part.limit_C || undefined}>
          <Figure from={computed}>{degrees(answer.part.peak_C)}</Figure> of {degrees(answer.part.limit_C)}
        </dd>
      </div>
      <div>
        <dt>ramp</dt>
        <dd data-over={(rampLimit_K_s !== undefined && maxRamp_K_s > rampLimit_K_s) || undefined}>
          <Figure from="fastest rise of the body over a second, on the high side for small bodies">
            {maxRamp_K_s.toFixed(1)}
          </Figure>
          {rampLimit_K_s !== undefined && ` of ${rampLimit_K_s}`} K/s
        </dd>
      </div>
      <div>
        <dt>pad, worst</dt>
        <dd>
          <Figure from="share of the bond’s budget, an estimate">{budget(dose)}</Figure>
        </dd>
      </div>
      <div>
        <dt>laminate</dt>
        <dd>
          <Figure from="Miner’s sum through T260 and T288">{budget(answer.board.laminateDose)}</Figure>
        </dd>
      </div>
      <div>
        <dt>bow, hot · left</dt>
        <dd data-over={Math.max(answer.bow!.hot_pct, answer.bow!.left_pct) > bowLimit_pct || undefined}>
          <Figure from={`estimate, good to a factor of two; limit ${bowLimit_pct} %`}>
            {answer.bow!.hot_pct.toFixed(2)} · {answer.bow!.left_pct.toFixed(2)} %
          </Figure>
        </dd>
      </div>
      <div>
        <dt>neighbours too hot</dt>
        <dd data-over={risky.length > 0 || undefined}>
          {risky.length === 0
            ? 'none'
            : risky.map((n) => `${n.ref} ${Math.round(Math.max(n.body_C, n.joint_C))} °C`).join(', ')}
        </dd>
      </div>
      {answer.notes.length > 0 && (
        <div className={css['wide']}>
          <dt>note</dt>
          <dd>{answer.notes.join(' ')}</dd>
        </div>
      )}
    </dl>
  );
}
