import { group } from 'd3-array';
import { useId, useState, type InputHTMLAttributes, type ReactNode, type Ref } from 'react';
import css from './controls.module.css';

interface FrameProps {
  readonly label: string;
  readonly fault?: string | undefined;
  readonly hint?: ReactNode;
}

export function TextField({
  label,
  fault,
  hint,
  multiline,
  ...rest
}: FrameProps &
  InputHTMLAttributes<HTMLInputElement> & { multiline?: boolean; ref?: Ref<HTMLInputElement> }) {
  const id = useId();
  const described = `${id}-note`;
  const [length, setLength] = useState(0);
  const full = rest.maxLength !== undefined && length >= rest.maxLength;
  const common = {
    id,
    className: css['input'],
    onInput: ({ currentTarget }: { readonly currentTarget: { readonly value: string } }) =>
      setLength(currentTarget.value.length),
    'aria-invalid': fault ? true : undefined,
    'aria-describedby': described,
  };
  return (
    <div className={`${css['field']} ${fault ? css['wrong'] : ''}`}>
      <label className={css['label']} htmlFor={id}>
        {label}
      </label>
      {multiline ? (
        <textarea
          rows={3}
          {...common}
          {...(rest as unknown as React.TextareaHTMLAttributes<HTMLTextAreaElement>)}
        />
      ) : (
        <input {...common} {...rest} />
      )}
      <Note id={described} fault={fault} hint={hint} />
      {full && (
        <p className={css['hint']} role="status">
          {rest.maxLength} characters: it takes no more, and what was more was not taken.
        </p>
      )}
    </div>
  );
}

export function SelectField<Value extends string>({
  label,
  fault,
  hint,
  options,
  value,
  onChange,
  name,
}: FrameProps & {
  /** Options of one group stand together under its name. */
  readonly options: readonly {
    readonly value: Value;
    readonly label: string;
    readonly group?: string;
  }[];
  readonly value: Value;
  readonly onChange: (value: Value) => void;
  readonly name?: string;
}) {
  const id = useId();
  const choice = (option: (typeof options)[number]): ReactNode => (
    <option key={option.value} value={option.value}>
      {option.label}
    </option>
  );
  return (
    <div className={`${css['field']} ${fault ? css['wrong'] : ''}`}>
      <label className={css['label']} htmlFor={id}>
        {label}
      </label>
      <select
        id={id}
        name={name}
        className={css['input']}
        value={value}
        onChange={(e) => onChange(e.target.value as Value)}
      >
        {[...group(options, (option) => option.group ?? '')].map(([name, members]) =>
          name === '' ? (
            members.map(choice)
          ) : (
            <optgroup key={name} label={name}>
              {members.map(choice)}
            </optgroup>
          ),
        )}
      </select>
      <Note id={`${id}-note`} fault={fault} hint={hint} />
    </div>
  );
}

function Note({ id, fault, hint }: { id: string; fault?: string | undefined; hint?: ReactNode }) {
  if (fault) {
    return (
      <p id={id} className={css['fault']}>
        {fault}
      </p>
    );
  }
  return hint ? (
    <p id={id} className={css['hint']}>
      {hint}
    </p>
  ) : null;
}

/** One of a few, all in sight; arrow keys move along it as along any radio group. */
export function Segments<Value extends string>({
  label,
  options,
  value,
  onChange,
}: {
  readonly label: string;
  readonly options: readonly { readonly value: Value; readonly label: ReactNode }[];
  /** Null: none is chosen yet. */
  readonly value: Value | null;
  readonly onChange: (value: Value) => void;
}) {
  const name = useId();
  return (
    <fieldset className={css['choice']}>
      <legend className={css['label']}>{label}</legend>
      <div className={css['segments']}>
        {options.map((option) => (
          <label key={option.value} className={css['segment']}>
            <input
              type="radio"
              name={name}
              value={option.value}
              checked={value === option.value}
              onChange={() => onChange(option.value)}
            />
            {option.label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
