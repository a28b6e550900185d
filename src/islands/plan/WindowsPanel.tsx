import type { PinAnswer } from '~/schema/exchange/plan/planAnswer';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import { jointInWords, meltInWords } from '~/schema/words/jointWords';
import { connectionInWords } from '~/schema/words/words';
import { DwellWindow, sharedEnd_s } from '~/ui/dwell/DwellWindow';
import { padsWords } from '~/ui/land/padsWords';
import { CostTable } from './CostTable';
import { pinGroups } from './pinGroups';
import { choiceAt, isBusy, phaseOf, type PlanState } from './state';
import css from './plan.module.css';

const timesOf = (pin: PinAnswer) => ({
  p10_s: pin.melt_s.p10,
  p50_s: pin.melt_s.p50,
  p90_s: pin.melt_s.p90,
  liftFrom_s: pin.liftFrom_s,
  stop_s: pin.stop_s,
  hold_s: pin.holdAfterMelt_s,
});

/** Each joint in one line over its dwell window, and what all of them cost in one table; pins alike are told once. */
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
  const setting = choiceAt(state)?.setting;
  if (groups.length === 0)
    return (
      <p className={css['pending']}>
        {isBusy(state) ? 'Solving this setting…' : 'No figures of this setting.'}
      </p>
    );
  return (
    <div className={css['joints']}>
      <p className="quiet">
        {setting?.kind === 'air'
          ? 'Lift when all of it is molten. At the stop the air goes off, molten or not.'
          : 'Off as soon as it is molten. At the stop it comes off, molten or not.'}
      </p>
      <ol className={css['windows']}>
        {groups.map(({ pin, pads: names }) => {
          const own = pads.find((p) => p.name === names[0]);
          const current = names.includes(state.pad);
          const times = timesOf(pin);
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
              <p className={css['joint']}>
                {setting ? jointInWords(setpointOf(setting, pin.pad), times) : meltInWords(times)}
              </p>
              <DwellWindow times={times} end_s={sharedEnd_s([times])} label={padsWords(names)} />
            </li>
          );
        })}
        {leftOut > 0 && <li className="quiet">{leftOut} other pads melt sooner than these.</li>}
      </ol>
      <CostTable groups={groups} />
    </div>
  );
}

type Setting = NonNullable<ReturnType<typeof choiceAt>>['setting'];

/** What stands on the tool for that pin, °C: pins of a turned station have their own. */
const setpointOf = (setting: Setting, pad: string): number =>
  (setting.kind === 'hand' ? setting.perPad_C[pad] : undefined) ?? setting.setpoint_C;
