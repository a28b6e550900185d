import type { Passed } from '~/core/record/runEvents';
import type { RailLine } from '~/schema/sheets/rail';
import { clockText } from '~/ui/figures';
import { CommandButton } from '~/ui/controls/Button';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { PassAnyway } from './PassAnyway';
import { useTick, type Clock } from './useNow';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/** The step in which a supply is put to the board. */
export const isSupply = (stepId: string | undefined): boolean =>
  stepId !== undefined && /(^|-)supply$/.test(stepId);

/** Before first power: while something of the board is wet it stands here, with how long, and the way past it. */
export function PowerGate({
  lines,
  boardId,
  clock,
  onPass,
  run,
}: {
  lines: readonly RailLine[];
  boardId: string;
  clock: Clock;
  onPass: (passed: Passed) => void;
  run: (id: RunCommand) => boolean;
}) {
  const wet = lines.filter((l) => l.boardId === boardId && l.gates === 'power' && l.clock);
  const told = useTick(clock, (now_ms) =>
    wet
      .filter((l) => l.clock!.due_ms > now_ms)
      .map((l) => `${l.step}: ${clockText(l.clock!.due_ms - now_ms)} left`)
      .join(' · '),
  );
  return (
    <>
      {told && (
        <p className={css['held']} role="status">
          No power yet. {told}.
        </p>
      )}
      <div className={css['buttons']}>
        <CommandButton
          command={command('go')}
          label="Confirmed"
          look={told ? 'outline' : 'primary'}
          className={css['big']}
          run={run}
        />
        <CommandButton command={command('why')} look="plain" run={run} />
      </div>
      {told && (
        <PassAnyway
          why="Why it has power before it is dry"
          onPass={(reason) => onPass({ kind: 'override', reason })}
        />
      )}
    </>
  );
}
