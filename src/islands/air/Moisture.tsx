import { FLOOR_LIFE_s, MOISTURE_LEVELS, type MoistureLevel } from '~/core/packages/moisture';
import type { MoistureInput } from '~/schema/values/moisture';
import { SelectField, TextField } from '~/ui/controls/Field';
import css from './air.module.css';

/** The part's moisture level and the hours since its bag was opened; both stand on its label. */
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
    </div>
  );
}

function floorLife(level: MoistureLevel): string {
  const hours = FLOOR_LIFE_s[level] / 3600;
  if (hours === 0) return 'bake always';
  if (!Number.isFinite(hours)) return 'no limit';
  return hours > 200 ? `${Math.round(hours / 24)} days` : `${hours} h`;
}
