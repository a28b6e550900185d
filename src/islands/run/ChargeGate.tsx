import { useEffect, useRef } from 'react';
import { chargeRefusal, SAFE_V } from '~/core/record/chargeGate';
import type { Passed } from '~/core/record/runEvents';
import { CommandButton } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { PassAnyway } from './PassAnyway';
import { voltsIn } from './shown';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/** Stored charge, measured before hands go near it: the reading is typed, held against the limit and kept. */
export function ChargeGate({
  shown,
  asked,
  onShown,
  onPass,
  run,
}: {
  /** As typed. */
  shown: string;
  /** It was pressed once with nothing, or with too much left. */
  asked: boolean;
  onShown: (shown: string) => void;
  onPass: (passed: Passed) => void;
  run: (id: RunCommand) => boolean;
}) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const fault = asked ? chargeRefusal(voltsIn(shown)) : null;
  return (
    <>
      {fault && (
        <p className={css['held']} role="alert">
          {fault.charAt(0).toUpperCase() + fault.slice(1)}.
        </p>
      )}
      <div className={css['reading']}>
        <TextField
          ref={field}
          label={`Left over the reservoirs, V (below ${SAFE_V})`}
          value={shown}
          inputMode="decimal"
          autoComplete="off"
          maxLength={7}
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
          label="Measured"
          look="primary"
          className={css['big']}
          run={run}
        />
        <CommandButton command={command('why')} look="plain" run={run} />
      </div>
      {fault && (
        <PassAnyway
          why="Why work goes on all the same"
          onPass={(reason) => onPass({ kind: 'override', reason })}
        />
      )}
    </>
  );
}
