import type { ReactNode } from 'react';
import { AIR } from '~/core/method/settings';
import { millimetres } from '~/core/quantity/convert';
import type {
  AirSettingInput,
  ChoiceInput,
  HandSettingInput,
  PreheatInput,
} from '~/schema/exchange/plan/planRequest';
import type { NozzleRecord } from '~/schema/values/toolSpec';
import { CommandButton } from '~/ui/controls/Button';
import { Segments, SelectField } from '~/ui/controls/Field';
import { Range } from '~/ui/controls/Range';
import { nozzleWords } from '~/schema/words/toolWords';
import { STANDOFF_mm } from './adjust';
import { planCommand, type PlanCommand } from './commands';
import type { SettingPart } from './adjust';
import { tipWords, type OfferedTool } from './tools';
import css from './plan.module.css';
import type { OfferedStation } from './tools';
import { dequal } from 'dequal';

/** What is set on the tool: few things, for everything else the record knows. */
export function SettingPanel({
  choice,
  tools,
  stations,
  preheat,
  onSetting,
  run,
}: {
  readonly choice: ChoiceInput;
  readonly tools: readonly OfferedTool[];
  readonly stations: readonly OfferedStation[];
  readonly preheat: PreheatInput | null;
  readonly onSetting: (part: SettingPart) => void;
  readonly run: (id: PlanCommand) => void;
}) {
  const { setting } = choice;
  return (
    <div className={css['setting']}>
      {setting.kind === 'air' ? (
        <AirPart setting={setting} stations={stations} onSetting={onSetting} run={run} />
      ) : (
        <HandPart setting={setting} tools={tools} onSetting={onSetting} run={run} />
      )}
      <Segments
        label="Board"
        value={setting.preheat ? 'warm' : 'cold'}
        onChange={(value) => onSetting({ preheat: value === 'warm' ? preheat : null })}
        options={[
          { value: 'cold', label: 'cold' },
          ...(setting.preheat || preheat
            ? [
                {
                  value: 'warm' as const,
                  label: `warmed, ${(setting.preheat ?? preheat)!.setpoint_C} °C ${(setting.preheat ?? preheat)!.soak_s} s`,
                },
              ]
            : []),
        ]}
      />
      {setting.kind === 'hand' ? (
        <div className={css['pair']}>
          <CommandButton
            small
            command={planCommand('flux')}
            label={setting.fluxed ? 'Flux' : 'Dry'}
            pressed={setting.fluxed}
            run={run}
          />
          <CommandButton
            small
            command={planCommand('solder')}
            label={setting.freshSolder ? 'Fresh solder' : 'No solder'}
            pressed={setting.freshSolder}
            run={run}
          />
        </div>
      ) : (
        <CommandButton
          small
          command={planCommand('foil')}
          label={setting.shielded ? 'Foil on neighbours' : 'No foil'}
          pressed={setting.shielded}
          run={run}
        />
      )}
    </div>
  );
}

function HandPart({
  setting,
  tools,
  onSetting,
  run,
}: {
  setting: HandSettingInput;
  tools: readonly OfferedTool[];
  onSetting: (part: SettingPart) => void;
  run: (id: PlanCommand) => void;
}) {
  const tool = tools.find((t) => t.id === setting.toolId) ?? tools[0];
  if (!tool) return <p>No tool for this way is on the bench.</p>;
  const at = tool.tips.findIndex((t) => dequal(t, setting.tip));
  return (
    <>
      <SelectField
        label="Tool"
        value={tool.id}
        onChange={(toolId) => {
          const next = tools.find((t) => t.id === toolId)!;
          onSetting({
            toolId,
            tip: next.tips[0]!,
            setpoint_C: Math.min(next.range_C[1], Math.max(next.range_C[0], setting.setpoint_C)),
          });
        }}
        options={tools.map((t) => ({ value: t.id, label: `${t.name}, ${t.power_W} W` }))}
        hint={
          Math.abs(tool.offset_K) >= 1
            ? `Reaches ${Math.abs(tool.offset_K)} K ${tool.offset_K < 0 ? 'less' : 'more'} than it shows; counted in.`
            : undefined
        }
      />
      <Segments
        label={'inner_mm' in setting.tip ? 'Nozzle' : 'Tip'}
        value={String(Math.max(0, at))}
        onChange={(index) => onSetting({ tip: tool.tips[Number(index)]! })}
        options={tool.tips.map((t, i) => {
          const [shape, size] = tipWords(t);
          return {
            value: String(i),
            label: (
              <span>
                {shape}
                <br />
                <span className="digits">{size}</span>
              </span>
            ),
          };
        })}
      />
      <Degrees
        label="Set temperature"
        value={setting.setpoint_C}
        range={tool.range_C}
        onChange={(setpoint_C) => onSetting({ setpoint_C })}
        run={run}
      />
    </>
  );
}

function AirPart({
  setting,
  stations,
  onSetting,
  run,
}: {
  setting: AirSettingInput;
  stations: readonly OfferedStation[];
  onSetting: (part: SettingPart) => void;
  run: (id: PlanCommand) => void;
}) {
  const station = stations.find((s) => s.id === setting.toolId) ?? stations[0];
  if (!station) return <p>No hot-air station is on the bench.</p>;
  const { nozzles, airRange_C, flowRange_L_min } = station.spec;
  const key = (n: NozzleRecord): string => JSON.stringify(n);
  return (
    <>
      <SelectField
        label="Nozzle"
        value={key(nozzles.find((n) => key(n) === key(setting.nozzle)) ?? nozzles[0]!)}
        onChange={(chosen) => onSetting({ nozzle: nozzles.find((n) => key(n) === chosen)! })}
        options={nozzles.map((n) => ({ value: key(n), label: nozzleWords(n) }))}
      />
      <Degrees
        label="Air"
        value={setting.setpoint_C}
        range={airRange_C}
        onChange={(setpoint_C) => onSetting({ setpoint_C })}
        run={run}
      />
      <Slide
        id="flow"
        label="Flow"
        unit="L/min"
        range={flowRange_L_min}
        value={Math.round(setting.flow_L_min)}
        onChange={(flow_L_min) => onSetting({ flow_L_min })}
      />
      <Slide
        id="standoff"
        label="Stand-off"
        unit="mm"
        range={STANDOFF_mm}
        value={setting.standoff_mm}
        onChange={(standoff_mm) => onSetting({ standoff_mm })}
      >
        <div className={css['pair']}>
          <CommandButton small command={planCommand('nearer')} label="Nearer" run={run} />
          <CommandButton small command={planCommand('farther')} label="Farther" run={run} />
        </div>
      </Slide>
      {setting.approach_s > 0 && (
        <p className="quiet">
          The first {setting.approach_s} s from {millimetres(AIR.approachStandoff_m)} mm, to warm the region.
        </p>
      )}
    </>
  );
}

function Slide({
  id,
  label,
  unit,
  range,
  value,
  onChange,
  children,
}: {
  id: string;
  label: string;
  unit: string;
  range: readonly [number, number];
  value: number;
  onChange: (value: number) => void;
  children?: ReactNode;
}) {
  return (
    <div className={css['temperature']}>
      <label htmlFor={id}>{label}</label>
      <output htmlFor={id} className={css['flow']}>
        {value}
        <small>{unit}</small>
      </output>
      <Range id={id} range={range} step={1} value={value} onChange={onChange} />
      {children}
    </div>
  );
}

function Degrees({
  label,
  value,
  range,
  onChange,
  run,
}: {
  label: string;
  value: number;
  range: readonly [number, number];
  onChange: (value: number) => void;
  run: (id: PlanCommand) => void;
}) {
  return (
    <div className={css['temperature']}>
      <label htmlFor="setpoint">{label}</label>
      <output htmlFor="setpoint" className={css['degrees']}>
        {value}
        <small>°C</small>
      </output>
      <Range id="setpoint" range={range} step={5} value={value} onChange={onChange} />
      <div className={css['pair']}>
        <CommandButton small command={planCommand('cooler')} label="Cooler" run={run} />
        <CommandButton small command={planCommand('hotter')} label="Hotter" run={run} />
      </div>
    </div>
  );
}
