import { useEffect, useRef } from 'react';
import { readBackRefusal } from '~/core/record/readBack';
import type { Passed } from '~/core/record/runEvents';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import { CommandButton } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { PassAnyway } from './PassAnyway';
import { degreesIn } from './shown';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/**
 * The station set, and read back: what its display shows is typed, held against the plan and kept. A setting that was
 * left from another job is caught here and not by the board.
 */
export function StationGate({
  planned_C,
  shown,
  asked,
  station,
  read_C,
  onShown,
  onPass,
  run,
}: {
  planned_C: number;
  /** As typed. */
  shown: string;
  /** The station itself, where it is connected, and what it says it is set to. */
  station: Pick<InstrumentLine, 'name'> | null;
  read_C: number | null;
  /** It was pressed once with nothing, or with another temperature. */
  asked: boolean;
  onShown: (shown: string) => void;
  onPass: (passed: Passed) => void;
  run: (id: RunCommand) => boolean;
}) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const apart = read_C !== null && readBackRefusal(planned_C, read_C) !== null;
  const fault = asked || apart ? readBackRefusal(planned_C, degreesIn(shown)) : null;
  return (
    <>
      {fault && (
        <p className={css['held']} role="alert">
          {fault.charAt(0).toUpperCase() + fault.slice(1)}.
        </p>
      )}
      {station && read_C !== null && (
        <p className={css['rest']}>
          {station.name} says {read_C} °C.
        </p>
      )}
      <div className={css['reading']}>
        <TextField
          ref={field}
          label="Its display shows, °C"
          value={shown}
          inputMode="numeric"
          autoComplete="off"
          maxLength={5}
          onChange={(event) => onShown(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') event.currentTarget.blur();
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            run('go');
          }}
        />
        <CommandButton
          command={command('go')}
          label="Read back"
          look="primary"
          className={css['big']}
          run={run}
        />
        <CommandButton command={command('why')} look="plain" run={run} />
      </div>
      {fault && degreesIn(shown) !== undefined && (
        <PassAnyway
          why="Why it is worked at another temperature"
          onPass={(reason) => onPass({ kind: 'override', reason })}
        />
      )}
    </>
  );
}
