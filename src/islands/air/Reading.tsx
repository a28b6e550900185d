import { kelvin } from '~/core/quantity/convert';
import type { PartPackage } from '~/core/packages/form';
import { SURFACE } from '~/core/materials/surfaces';
import { BOW_LIMIT } from '~/core/thermal/warp';
import type { FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import { JET_OUTSIDE, type SimulateAnswer } from '~/schema/exchange/simulate/simulateAnswer';
import { moistureAnswer } from '~/schema/exchange/si/moisture';
import { moistureInWords } from '~/schema/words/moistureWords';
import { Button, KeyCap } from '~/ui/controls/Button';
import { Figure } from '~/ui/controls/Notes';
import { budget, degrees, seconds } from '~/ui/figures';
import type { AirCommand } from './commands';
import type { AirState } from './state';
import css from './air.module.css';

/** What the run came to, in one line, and what to expect of it. */
export function Reading({ state, run }: { state: AirState; run: (id: AirCommand) => void }) {
  const { picture } = state;
  const working = state.run.status === 'running' ? state.run : null;
  return (
    <div className={css['reading']}>
      <div>
        <p className={css['line']} data-verdict={picture ? verdictOf(state).kind : undefined}>
          {picture ? verdictOf(state).line : 'Working it out'}
        </p>
        {picture && <Expectation state={state} />}
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

/** Whether the jet leaves the ranges that its film was measured in: a verdict is then no more than a chance. */
const beyondMeasured = ({ notes }: Pick<SimulateAnswer, 'notes'>): boolean =>
  notes.some((note) => note.startsWith(JET_OUTSIDE));

/** What is said where some pad stays solid. */
export function solidLine(answer: Pick<SimulateAnswer, 'pads' | 'notes'>): string {
  const solid = answer.pads.filter((p) => p.fullMelt_s === null).length;
  const what =
    solid === answer.pads.length
      ? 'Nothing melts through in this time'
      : `${solid} of ${answer.pads.length} pads stay solid: do not lift`;
  return beyondMeasured(answer)
    ? `${what}, typically. Nobody has measured such a jet: go by the cases below.`
    : `${what}.`;
}

function verdictOf(state: AirState): { kind: 'good' | 'bad'; line: string } {
  const { answer, lift } = state.picture!;
  if (!lift) return { kind: 'bad', line: solidLine(answer) };
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

/** What to expect and when to stop, from all cases: never a single number. Until all are simulated it says so. */
function Expectation({ state }: { state: AirState }) {
  const { band } = state;
  const done = band !== null && band.draws >= band.of;
  return (
    <p className={css['expect']} role="status" data-drawn={done || undefined}>
      {!done && (
        <span className={css['soFar']}>
          <progress max={band?.of ?? 1} value={band?.draws ?? 0} aria-label="Simulating what is uncertain" />
          {band ? `so far, ${band.draws} of ${band.of} cases:` : 'Simulating what is uncertain…'}
        </span>
      )}
      {band && expectationOf(band)}
    </p>
  );
}

export function expectationOf({
  lastMelt_s: melt,
  chanceSolid,
  chanceOverLimit,
  draws,
}: FieldBandAnswer): string {
  const over = chanceOverLimit > 0 ? ` The part passes its limit in ${inDraws(chanceOverLimit, draws)}.` : '';
  if (melt.p50 === null || melt.p10 === null) {
    return `Some pad stays solid in ${inDraws(chanceSolid, draws)}: more heat, or warm the board from below.${over}`;
  }
  if (melt.p90 === null) {
    return `Expect the last pad from ${seconds(melt.p10, 0)}, half by ${seconds(melt.p50, 0)}; some pad stays solid in ${inDraws(chanceSolid, draws)}.${over}`;
  }
  return `Expect the last pad between ${melt.p10.toFixed(0)} and ${seconds(melt.p90, 0)}. Not molten then: stop, let it cool, warm from below.${over}`;
}

const inDraws = (share: number, draws: number): string => `${Math.round(share * draws)} of ${draws} cases`;

/** What it costs: body, pads, laminate, bow, neighbours; where each comes from stands behind it. */
export function Figures({
  state,
  part,
  surfaceMount,
}: {
  state: AirState;
  part: PartPackage;
  /** Boards with surface parts may bow less. */
  surfaceMount: boolean;
}) {
  const { answer } = state.picture!;
  const dose = Math.max(...answer.pads.map((p) => p.padDose));
  const risky = answer.neighbours.filter((n) => !n.ok);
  const film = beyondMeasured(answer) ? SURFACE.jetFilmBeyond : SURFACE.jetFilm;
  const computed = `computed on the board’s grid; jet film ± ${Math.round(100 * film.uncertainty)} %`;
  const bowLimit_pct = 100 * (surfaceMount ? BOW_LIMIT.surfaceMount : BOW_LIMIT.other);
  const water = moistureAnswer(state.moisture ?? undefined, part, kelvin(answer.part.peak_C));
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
        <dt>worst pad, of its heat allowance</dt>
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
        <dt>bow while hot · after cooling</dt>
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
      {water && (
        <div className={css['wide']}>
          <dt>moisture</dt>
          <dd data-over={water.kind === 'bake' || water.kind === 'label' || undefined}>
            {moistureInWords(water, state.moisture ?? undefined)}
          </dd>
        </div>
      )}
      {answer.notes.length > 0 && (
        <div className={css['wide']}>
          <dt>note</dt>
          <dd>{answer.notes.join(' ')}</dd>
        </div>
      )}
    </dl>
  );
}
