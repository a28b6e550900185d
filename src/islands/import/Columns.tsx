import { SelectField } from '~/ui/controls/Field';
import type { CentroidColumns, ImportPreview } from '~/workers/protocol';
import css from './import.module.css';

const HOLDS: readonly (readonly [keyof CentroidColumns, string])[] = [
  ['ref', 'Reference'],
  ['value', 'Value'],
  ['footprint', 'Footprint'],
  ['x', 'x'],
  ['y', 'y'],
  ['rotation', 'Turn'],
  ['side', 'Face'],
];

/** Which column of a list holds what: guessed by its headings, settled here. */
export function Columns({
  table,
  onChange,
}: {
  readonly table: NonNullable<ImportPreview['files'][number]['table']>;
  readonly onChange: (columns: Partial<CentroidColumns>) => void;
}) {
  const options = [
    { value: '-1', label: 'no column' },
    ...table.heading.map((heading, i) => ({ value: String(i), label: heading.trim() || `column ${i + 1}` })),
  ];
  return (
    <details className={css['faults']} open={table.columns.ref < 0}>
      <summary>Columns</summary>
      <div className={css['mapping']}>
        {HOLDS.map(([key, label]) => (
          <SelectField
            key={key}
            label={label}
            value={String(table.columns[key])}
            options={options}
            onChange={(value) => onChange({ [key]: Number(value) })}
          />
        ))}
      </div>
    </details>
  );
}
