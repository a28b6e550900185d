import { RATED_PEAKS_C } from '~/core/packages/classification';
import { FLOOR_LIFE_s, MOISTURE_LEVELS, type MoistureLevel } from '~/core/packages/moisture';
import type { MoistureInput } from '~/schema/values/moisture';
import { SelectField, TextField } from '~/ui/controls/Field';
import css from './air.module.css';

/** The part's moisture level, the hours since its bag was opened, and its peak, as they stand on its label. */
export function Moisture({
  value,
  onChange,
}: {
  readonly value: MoistureInput | null;
  readonly onChange: (value: MoistureInput | null) => void;
}) {
  return (
    <div className={css['paired']}>
      <SelectField<MoistureLevel | ''>
        label="Moisture level"
        value={value?.level ?? ''}
        onChange={(level) => onChange(level === '' ? null : { bake_C: 125, outOfBag_h: 0, ...value, level })}
        options={[
          { value: '', label: 'not known' },
          ...MOISTURE_LEVELS.map((level) => ({ value: level, label: `${level}, ${floorLife(level)}` })),
        ]}
      />
      {value && (
        <TextField
          label="Hours out"
          type="number"
          min={0}
          max={100_000}
          value={value.outOfBag_h}
          onChange={(event) =>
            onChange({
              ...value,
              outOfBag_h: Math.min(100_000, Math.max(0, event.target.valueAsNumber || 0)),
            })
          }
        />
      )}
      {value && (
        <SelectField<string>
          label="Peak on its label"
          value={value.rated_C === undefined ? '' : String(value.rated_C)}
          onChange={(told) =>
            onChange({ ...value, rated_C: RATED_PEAKS_C.find((rated_C) => String(rated_C) === told) })
          }
          options={[
            { value: '', label: 'not known' },
            ...RATED_PEAKS_C.map((rated_C) => ({ value: String(rated_C), label: `${rated_C} °C` })),
          ]}
        />
      )}
    </div>
  );
}

function floorLife(level: MoistureLevel): string {
  const hours = FLOOR_LIFE_s[level] / 3600;
  if (hours === 0) return 'bake always';
  if (!Number.isFinite(hours)) return 'no limit';
  return hours > 200 ? `${Math.round(hours / 24)} days` : `${hours} h`;
}
