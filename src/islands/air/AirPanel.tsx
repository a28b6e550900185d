import type { ReactNode } from 'react';
import type { AirSheet } from '~/schema/sheets/airSheet';
import { CommandButton } from '~/ui/controls/Button';
import { Segments, SelectField } from '~/ui/controls/Field';
import { Range } from '~/ui/controls/Range';
import { AIR_COMMANDS, type AirCommand } from './commands';
import { nozzleWords } from '~/schema/exchange/si/tools';
import type { AirSetting } from './setting';
import css from './air.module.css';

interface AirPanelProps {
  readonly sheet: AirSheet;
  readonly station: AirSheet['stations'][number];
  readonly setting: AirSetting;
  readonly onChange: (part: Partial<AirSetting>) => void;
  readonly run: (id: AirCommand) => void;
  /** What else is asked about the part. */
  readonly children?: ReactNode;
}

/** The few things a technician sets for hot air. */
export function AirPanel({ sheet, station, setting, onChange, run, children }: AirPanelProps) {
  const { airRange_C, flowRange_L_min, nozzles } = station.spec;
  const command = (id: AirCommand) => AIR_COMMANDS.find((c) => c.id === id)!;
  const preheat = sheet.preheats[0];
  return (
    <section className={css['setting']} aria-label="Setting">
      <div className={css['dial']}>
        <label htmlFor="air">Air at the nozzle</label>
        <output htmlFor="air">
          {setting.air_C}
          <small>°C</small>
        </output>
        <Range
          id="air"
          range={airRange_C}
          step={5}
          value={setting.air_C}
          onChange={(air_C) => onChange({ air_C })}
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
        range={[2, 40]}
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
        value={setting.airOn_s}
        onChange={(airOn_s) => onChange({ airOn_s })}
      />
      {preheat && (
        <Segments
          label={`From below: ${preheat.name}`}
          value={setting.warm ? 'warm' : 'cold'}
          onChange={(value) => onChange({ warm: value === 'warm' })}
          options={[
            { value: 'cold', label: 'off' },
            { value: 'warm', label: `${setting.preheat_C} °C, ${preheat.soak_s} s first` },
          ]}
        />
      )}
      {preheat && setting.warm && (
        <Dial
          id="preheat"
          label="Preheater"
          unit="°C"
          range={preheat.range_C}
          step={5}
          value={setting.preheat_C}
          onChange={(preheat_C) => onChange({ preheat_C })}
        />
      )}
      {children}
      <div className={css['keys']}>
        <CommandButton
          small
          command={command('foil')}
          label={setting.foil ? 'Foil around' : 'No foil'}
          pressed={setting.foil}
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
