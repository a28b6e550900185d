import { VALUE_OF } from '~/core/electrical/parts/part';
import { partValueOf, valueInWords } from '~/core/quantity/partValue';
import { SelectField, TextField } from '~/ui/controls/Field';
import type { PartInput } from '~/schema/exchange/parts/part';
import { asksFor, DRAFT_FIELDS, FIELDS, type DraftField, type PartDraft } from './partDraft';
import css from './parts.module.css';

/** The figures of a part, those that its kind has. */
export function PartFields({
  draft,
  onChange,
  without = [],
}: {
  readonly draft: PartDraft;
  readonly onChange: (draft: PartDraft) => void;
  readonly without?: readonly DraftField[];
}) {
  const kind = draft.kind as PartInput['kind'];
  const set = (field: DraftField, typed: string): void => {
    const next = { ...draft, [field]: typed };
    const makes = FIELDS.technology.choices!(next.kind as PartInput['kind']);
    onChange(field === 'kind' ? { ...next, technology: makes[0] ?? '' } : next);
  };
  return (
    <div className={css['fields']}>
      {DRAFT_FIELDS.filter((field) => asksFor(field, draft) && !without.includes(field)).map((field) => {
        const { label, choices, words } = FIELDS[field];
        return choices ? (
          <SelectField
            key={field}
            label={label}
            value={draft[field]}
            onChange={(value) => set(field, value)}
            options={choices(kind).map((value) => ({ value, label: value === '' ? 'none' : value }))}
          />
        ) : (
          <TextField
            key={field}
            label={label}
            value={draft[field]}
            hint={field === 'value' ? readAs(draft) : undefined}
            inputMode={words ? 'text' : 'decimal'}
            autoComplete="off"
            maxLength={40}
            onChange={(event) => set(field, event.target.value)}
          />
        );
      })}
    </div>
  );
}

/** What a value that is typed is taken for: a code and a figure look alike. */
function readAs({ kind, value }: PartDraft): string | undefined {
  const of = VALUE_OF[kind as PartInput['kind']];
  if (!of || value.trim() === '') return undefined;
  const read = partValueOf(value, of);
  return read ? `Read as ${valueInWords(read.value, of)}` : `No ${of} yet`;
}
