import { useEffect, useRef, type KeyboardEvent, type ReactNode } from 'react';
import type { Passed } from '~/core/record/runEvents';
import { CommandButton } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { PassAnyway } from './PassAnyway';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/** A hold point that something is read at: the reading is typed, held against what the plan is for, and kept. */
export function ReadingGate({
  label,
  done,
  shown,
  second = null,
  fault,
  told = null,
  fixed = false,
  passWhy,
  onShown,
  onPass,
  otherwise = null,
  run,
}: {
  /** What is read, with its unit. */
  label: string;
  /** What the act is called. */
  done: string;
  /** As typed. */
  shown: string;
  /** A second reading, where one alone is not believed. */
  second?: { label: string; shown: string; onShown: (shown: string) => void } | null;
  /** What stands against it; null where nothing does, or nothing was asked yet. */
  fault: string | null;
  /** What an instrument says of it. */
  told?: ReactNode;
  /** An instrument reads it: nothing is typed over that. */
  fixed?: boolean;
  /** What is asked of whoever passes it all the same; null where it may not be passed as it stands. */
  passWhy: string | null;
  onShown: (shown: string) => void;
  onPass: (passed: Passed) => void;
  /** Another way out than passing it. */
  otherwise?: ReactNode;
  run: (id: RunCommand) => boolean;
}) {
  const field = useRef<HTMLInputElement>(null);
  const again = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Escape') event.currentTarget.blur();
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    if (second && second.shown.trim() === '' && event.currentTarget === field.current && shown.trim() !== '')
      again.current?.focus();
    else run('go');
  };
  return (
    <>
      {fault && (
        <p className={css['held']} role="alert">
          {fault.charAt(0).toUpperCase() + fault.slice(1)}.
        </p>
      )}
      {told}
      <div className={css['reading']}>
        <TextField
          ref={field}
          label={label}
          value={shown}
          readOnly={fixed}
          inputMode="decimal"
          autoComplete="off"
          maxLength={7}
          onChange={(event) => onShown(event.target.value)}
          onKeyDown={onKeyDown}
        />
        {second && (
          <TextField
            ref={again}
            label={second.label}
            value={second.shown}
            inputMode="decimal"
            autoComplete="off"
            maxLength={7}
            onChange={(event) => second.onShown(event.target.value)}
            onKeyDown={onKeyDown}
          />
        )}
        <CommandButton command={command('go')} label={done} look="primary" className={css['big']} run={run} />
        <CommandButton command={command('why')} look="plain" run={run} />
      </div>
      {fault && otherwise}
      {fault && passWhy !== null && (
        <PassAnyway why={passWhy} onPass={(reason) => onPass({ kind: 'override', reason })} />
      )}
    </>
  );
}
