import type { ReactNode } from 'react';
import type { AirSettingInput, PreheatInput } from '~/schema/exchange/plan/planRequest';
import type { AirSheet } from '~/schema/sheets/airSheet';
import { CommandButton } from '~/ui/controls/Button';
import { Segments, SelectField } from '~/ui/controls/Field';
import { Range } from '~/ui/controls/Range';
import { AIR_COMMANDS, type AirCommand } from './commands';
import { nozzleWords } from '~/schema/words/toolWords';
import { STANDOFF_mm } from '~/islands/plan/adjust';
import type { AirSet } from './state';
import css from './air.module.css';

interface AirPanelProps {
  readonly station: AirSheet['stations'][number];
  readonly set: AirSet;
  /** The bench's preheater at its usual setting, and what it reaches; null without one. */
  readonly preheater: {
    readonly name: string;
    readonly usual: PreheatInput;
    readonly range_C: readonly [number, number];
  } | null;
  readonly onChange: (part: Partial<AirSettingInput>) => void;
  readonly onTime: (airOn_s: number) => void;
  readonly run: (id: AirCommand) => void;
  /** What else is asked about the part. */
  readonly children?: ReactNode;
}

/** The few things a technician sets for hot air. */
export function AirPanel({ station, set, preheater, onChange, onTime, run, children }: AirPanelProps) {
  const { setting, airOn_s } = set;
  const { airRange_C, flowRange_L_min, nozzles } = station.spec;
  const command = (id: AirCommand) => AIR_COMMANDS.find((c) => c.id === id)!;
  const { preheat } = setting;
  return (
    <section className={css['setting']} aria-label="Setting">
      <div className={css['dial']}>
        <label htmlFor="air">Air at the nozzle</label>
        <output htmlFor="air">
          {setting.setpoint_C}
          <small>°C</small>
        </output>
        <Range
          id="air"
          range={airRange_C}
          step={5}
          value={setting.setpoint_C}
          onChange={(setpoint_C) => onChange({ setpoint_C })}
        />
        <div className={css['pair']}>
          <CommandButton small command={command('cooler')} label="Cooler" run={run} />
          <CommandButton small command={command('hotter')} label="Hotter" run={run} />
        </div>
      </div>
      <Dial
        id="flow"
        label="Flow"
        unit="L/min"
        range={flowRange_L_min}
        step={5}
        value={setting.flow_L_min}
        onChange={(flow_L_min) => onChange({ flow_L_min })}
      />
      <SelectField
        label="Nozzle"
        value={JSON.stringify(setting.nozzle)}
        onChange={(key) => onChange({ nozzle: nozzles.find((n) => JSON.stringify(n) === key)! })}
        options={nozzles.map((n) => ({ value: JSON.stringify(n), label: nozzleWords(n) }))}
      />
      <Dial
        id="standoff"
        label="Stand-off"
        unit="mm"
        range={STANDOFF_mm}
        step={1}
        value={setting.standoff_mm}
        onChange={(standoff_mm) => onChange({ standoff_mm })}
      />
      <Dial
        id="on"
        label="Air on for"
        unit="s"
        range={[10, 600]}
        step={10}
        value={airOn_s}
        onChange={onTime}
      />
      {preheater && (
        <Segments
          label={`From below: ${preheater.name}`}
          value={preheat ? 'warm' : 'cold'}
          onChange={(value) => onChange({ preheat: value === 'warm' ? preheater.usual : null })}
          options={[
            { value: 'cold', label: 'off' },
            {
              value: 'warm',
              label: `${(preheat ?? preheater.usual).setpoint_C} °C, ${(preheat ?? preheater.usual).soak_s} s first`,
            },
          ]}
        />
      )}
      {preheater && preheat && (
        <Dial
          id="preheat"
          label="Preheater"
          unit="°C"
          range={preheater.range_C}
          step={5}
          value={preheat.setpoint_C}
          onChange={(setpoint_C) => onChange({ preheat: { ...preheat, setpoint_C } })}
        />
      )}
      {children}
      <div className={css['keys']}>
        <CommandButton
          small
          command={command('foil')}
          label={setting.shielded ? 'Foil around' : 'No foil'}
          pressed={setting.shielded}
          run={run}
        />
        <CommandButton small command={command('next-nozzle')} run={run} />
        <CommandButton small command={command('iron')} run={run} />
      </div>
    </section>
  );
}

interface DialProps {
  readonly id: string;
  readonly label: string;
  readonly unit: string;
  readonly range: readonly [number, number];
  readonly step: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

function Dial({ id, label, unit, range, step, value, onChange }: DialProps) {
  return (
    <div className={css['small']}>
      <label htmlFor={id}>{label}</label>
      <output htmlFor={id} className="digits">
        {value} {unit}
      </output>
      <Range id={id} range={range} step={step} value={value} onChange={onChange} />
    </div>
  );
}
