import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { PinAnswer } from '~/schema/exchange/plan/planAnswer';
import { connectionInWords } from '~/schema/words/words';
import { Figure } from '~/ui/controls/Notes';
import { DwellWindow, sharedEnd_s } from '~/ui/dwell/DwellWindow';
import { budget, chance, seconds, secondsRange } from '~/ui/figures';
import { padsWords } from '~/ui/land/padsWords';
import { pinGroups } from './pinGroups';
import { isBusy, phaseOf, type PlanState } from './state';
import css from './plan.module.css';

const timesOf = (pin: PinAnswer) => ({
  p10_s: pin.melt_s.p10,
  p50_s: pin.melt_s.p50,
  p90_s: pin.melt_s.p90,
  liftFrom_s: pin.liftFrom_s,
  stop_s: pin.stop_s,
  hold_s: pin.holdAfterMelt_s,
});

/** Each pin's dwell window on one time axis, with what it costs; pins alike are told once. */
export function WindowsPanel({
  state,
  pads,
  onPad,
}: {
  state: PlanState;
  pads: SiteSheet['pads'];
  onPad: (pad: string) => void;
}) {
  const { pins: byPad, stale } = phaseOf(state);
  const { groups, leftOut } = pinGroups(Object.values(byPad));
  const end_s = groups.length ? sharedEnd_s(groups.map(({ pin }) => timesOf(pin))) : 10;
  if (groups.length === 0)
    return (
      <p className={css['pending']}>
        {isBusy(state) ? 'Solving this setting…' : 'No bands of this setting.'}
      </p>
    );
  return (
    <ol className={css['windows']}>
      {groups.map(({ pin, pads: names }) => {
        const own = pads.find((p) => p.name === names[0]);
        const current = names.includes(state.pad);
        return (
          <li
            key={names.join(' ')}
            aria-current={current || undefined}
            data-stale={stale.has(pin.pad) || undefined}
          >
            <button
              type="button"
              className={css['pinHead']}
              onClick={() => onPad(names[0]!)}
              aria-pressed={current}
            >
              <strong>{padsWords(names)}</strong>
              <span className="quiet">
                {names.length === 1 && own
                  ? `${own.net} ${connectionInWords(own.connections)}`
                  : pin.pad === 'all'
                    ? 'together'
                    : ''}
              </span>
            </button>
            <>
              <DwellWindow times={timesOf(pin)} end_s={end_s} label={padsWords(names)} />
              <dl className={css['costs']}>
                <div>
                  <dt>melts</dt>
                  <dd>
                    <Figure
                      from={`Computed: 10 to 90 % of ${pin.draws} draws over contact, copper, laminate, tip calibration`}
                    >
                      {secondsRange(pin.melt_s.p10, pin.melt_s.p90)}
                    </Figure>
                  </dd>
                </div>
                <div>
                  <dt>off within</dt>
                  <dd>
                    <Figure from="Computed: after the melt is seen, nine draws in ten stay inside their budget this long">
                      {seconds(pin.holdAfterMelt_s)}
                    </Figure>
                  </dd>
                </div>
                <div>
                  <dt>pad</dt>
                  <dd>
                    <Figure
                      from={`Estimated share of the pad's bond budget, half of the draws below; one in ten above ${budget(pin.padDose.p90)}. Source: Arrhenius line through solder-float and bench anchors`}
                    >
                      {budget(pin.padDose.p50)}
                    </Figure>
                  </dd>
                </div>
                <div>
                  <dt>laminate</dt>
                  <dd>
                    <Figure
                      right
                      from={`Estimated share of the laminate's life, one in ten above ${budget(pin.laminateDose.p90)}. Source: T260 and T288 of the laminate`}
                    >
                      {budget(pin.laminateDose.p50)}
                    </Figure>
                  </dd>
                </div>
                <div>
                  <dt>solid at stop</dt>
                  <dd>
                    <Figure
                      right
                      from={`Share of draws not molten through at ${seconds(pin.stop_s)}; the stop is set ${pin.stopBecause === 'well past the melt' ? pin.stopBecause : `by the ${pin.stopBecause}`}`}
                    >
                      {chance(pin.chanceSolidAtStop, pin.draws)}
                    </Figure>
                  </dd>
                </div>
              </dl>
            </>
          </li>
        );
      })}
      {leftOut > 0 && <li className="quiet">{leftOut} other pads melt sooner than these.</li>}
    </ol>
  );
}
