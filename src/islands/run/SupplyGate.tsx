import { useEffect, useRef } from 'react';
import { supplyRefusal } from '~/core/record/supplyGate';
import type { Passed } from '~/core/record/runEvents';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import type { RailLine } from '~/schema/sheets/rail';
import { clockText } from '~/ui/figures';
import { CommandButton } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { PassAnyway } from './PassAnyway';
import { supplyIn, type SupplyTyped } from './shown';
import { useTick, type Clock } from './useNow';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

const FIELDS: readonly (readonly [field: keyof SupplyTyped, label: string])[] = [
  ['asks', 'The unit asks, V'],
  ['gives', 'At the plug, V (− if turned)'],
  ['limit', 'Current limit, A'],
];

/**
 * Before first power: what the unit asks, what the supply was read to give, and its limit. While something of the board is
 * wet it stands here, with how long; either is passed only with a reason.
 */
export function SupplyGate({
  lines,
  boardId,
  clock,
  typed,
  asked,
  supply,
  onTyped,
  onPass,
  run,
}: {
  lines: readonly RailLine[];
  boardId: string;
  clock: Clock;
  typed: SupplyTyped;
  /** It was pressed once with something missing or wrong. */
  asked: boolean;
  /** The supply itself, where one is connected and on: what it reads is not typed. */
  supply: Pick<InstrumentLine, 'name'> | null;
  onTyped: (typed: Partial<SupplyTyped>) => void;
  onPass: (passed: Passed) => void;
  run: (id: RunCommand) => boolean;
}) {
  const form = useRef<HTMLDivElement>(null);
  const wet = lines.filter((l) => l.boardId === boardId && l.gates === 'power' && l.clock);
  const told = useTick(clock, (now_ms) =>
    wet
      .filter((l) => l.clock!.due_ms > now_ms)
      .map((l) => `${l.step}: ${clockText(l.clock!.due_ms - now_ms)} left`)
      .join(' · '),
  );
  useEffect(() => {
    const empty = [...form.current!.querySelectorAll('input')].find(
      (field) => !field.value && !field.readOnly,
    );
    empty?.focus();
  }, []);
  const fault = supplyRefusal(supplyIn(typed));
  return (
    <>
      {told && (
        <p className={css['held']} role="status">
          No power yet. {told}.
        </p>
      )}
      {asked && fault && (
        <p className={css['held']} role="alert">
          {fault.charAt(0).toUpperCase() + fault.slice(1)}.
        </p>
      )}
      {supply && (
        <p className={css['rest']}>
          {supply.name} reads {typed.gives} V, limit {typed.limit} A.
        </p>
      )}
      <div className={css['reading']} ref={form}>
        {FIELDS.map(([field, label]) => (
          <TextField
            key={field}
            label={label}
            value={typed[field]}
            readOnly={supply !== null && field !== 'asks'}
            inputMode="decimal"
            autoComplete="off"
            maxLength={8}
            onChange={(event) => onTyped({ [field]: event.target.value })}
            onKeyDown={(event) => {
              if (event.key === 'Escape') event.currentTarget.blur();
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              const next = [...form.current!.querySelectorAll('input')].find((other) => !other.value);
              if (next) next.focus();
              else run('go');
            }}
          />
        ))}
        <CommandButton
          command={command('go')}
          label="Supply is right"
          look={told ? 'outline' : 'primary'}
          className={css['big']}
          run={run}
        />
        <CommandButton command={command('why')} look="plain" run={run} />
      </div>
      {(told || (asked && fault)) && (
        <PassAnyway
          why={told ? 'Why it has power before it is dry' : 'Why it has power all the same'}
          onPass={(reason) => onPass({ kind: 'override', reason })}
        />
      )}
    </>
  );
}
