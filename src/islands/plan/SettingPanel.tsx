import { GOALS, type Goal } from '~/core/method/request';
import type { PreheatInput, SettingInput } from '~/schema/planRequest';
import type { IronSpec, TipRecord, ToolRecord } from '~/schema/tool';
import { GOAL_WORDS } from '~/schema/words';
import { CommandButton } from '~/ui/controls/Button';
import { Segments, SelectField } from '~/ui/controls/Field';
import { PLAN_COMMANDS, type PlanCommand } from './commands';
import css from './plan.module.css';

interface SettingPanelProps {
  readonly goal: Goal;
  readonly onGoal: (goal: Goal) => void;
  readonly setting: SettingInput | null;
  readonly irons: readonly (ToolRecord & { spec: IronSpec })[];
  readonly usualPreheat: PreheatInput | null;
  readonly onChange: (part: Partial<SettingInput>) => void;
  readonly run: (id: PlanCommand) => void;
}

/** The few things a technician sets; everything else the record already knows. */
export function SettingPanel({
  goal,
  onGoal,
  setting,
  irons,
  usualPreheat,
  onChange,
  run,
}: SettingPanelProps) {
  const iron = irons.find((t) => t.id === setting?.ironId) ?? irons[0];
  const command = (id: PlanCommand) => PLAN_COMMANDS.find((c) => c.id === id)!;
  const goals = (
    <SelectField
      label="Goal"
      value={goal}
      onChange={onGoal}
      options={GOALS.map((value) => ({ value, label: GOAL_WORDS[value] }))}
    />
  );
  if (!iron) {
    return (
      <section className={css['setting']} aria-label="Setting">
        {goals}
        <p>No iron on the bench yet, so nothing can be planned.</p>
      </section>
    );
  }
  const [low, high] = iron.spec.setpointRange_C;
  const tipKey = (t: TipRecord): string => `${t.shape}-${t.width_mm.toFixed(2)}-${t.construction}`;
  return (
    <section className={css['setting']} aria-label="Setting">
      {goals}
      <SelectField
        label="Iron"
        value={iron.id}
        onChange={(ironId) => {
          const next = irons.find((t) => t.id === ironId)!;
          onChange({
            ironId,
            tip: next.spec.tips[0]!,
            setpoint_C: clamp(setting?.setpoint_C ?? 350, next.spec.setpointRange_C),
          });
        }}
        options={irons.map((t) => ({ value: t.id, label: `${t.name}, ${t.spec.power_W} W` }))}
      />
      <Segments
        label="Tip"
        value={setting ? tipKey(setting.tip) : ''}
        onChange={(key) => onChange({ tip: iron.spec.tips.find((t) => tipKey(t) === key)! })}
        options={iron.spec.tips.map((t) => ({
          value: tipKey(t),
          label: (
            <span>
              {t.shape}
              <br />
              <span className="digits">{t.width_mm.toFixed(1)} mm</span>
            </span>
          ),
        }))}
      />
      <div className={css['temperature']}>
        <label htmlFor="setpoint">Set temperature</label>
        <output htmlFor="setpoint" className={css['degrees']}>
          {setting ? setting.setpoint_C : '–'}
          <small>°C</small>
        </output>
        <input
          id="setpoint"
          type="range"
          min={low}
          max={high}
          step={5}
          disabled={!setting}
          value={setting?.setpoint_C ?? low}
          onChange={(event) => onChange({ setpoint_C: Number(event.target.value) })}
        />
        <div className={css['pair']}>
          <CommandButton small command={command('cooler')} label="Cooler" run={run} disabled={!setting} />
          <CommandButton small command={command('hotter')} label="Hotter" run={run} disabled={!setting} />
        </div>
      </div>
      <Segments
        label="Board"
        value={setting?.preheat ? 'warm' : 'cold'}
        onChange={(value) => onChange({ preheat: value === 'warm' ? usualPreheat : null })}
        options={[
          { value: 'cold', label: 'cold' },
          ...(usualPreheat
            ? [
                {
                  value: 'warm' as const,
                  label: `warmed, ${usualPreheat.setpoint_C} °C ${usualPreheat.soak_s} s`,
                },
              ]
            : []),
        ]}
      />
      <div className={css['pair']}>
        <CommandButton
          small
          command={command('flux')}
          label={setting?.fluxed ? 'Flux' : 'Dry'}
          pressed={setting?.fluxed}
          run={run}
          disabled={!setting}
        />
        <CommandButton
          small
          command={command('solder')}
          label={setting?.freshSolder ? 'Fresh solder' : 'No solder'}
          pressed={setting?.freshSolder}
          run={run}
          disabled={!setting}
        />
      </div>
      <div className={css['schools']}>
        <CommandButton small command={command('choice')} run={run} />
        <CommandButton small command={command('low-and-long')} run={run} />
        <CommandButton small command={command('hot-and-quick')} run={run} />
        <CommandButton small command={command('hot-air')} run={run} />
      </div>
    </section>
  );
}

const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value));
