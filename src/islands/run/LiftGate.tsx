import type { Passed } from '~/core/record/runEvents';
import { CommandButton } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { PassAnyway } from './PassAnyway';
import { heatedInWords } from './turn';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/**
 * The step that takes the part off. Pins whose melt nobody saw are named: to go on, they are heated again, they moved
 * freely, or someone says why not.
 */
export function LiftGate({
  held,
  kept,
  asked,
  where,
  onWhere,
  onPass,
  run,
}: {
  held: readonly string[];
  /** The part lives on: it is said where it lies. */
  kept: boolean;
  /** It was said once that they moved freely: the second press means it. */
  asked: boolean;
  where: string;
  onWhere: (where: string) => void;
  onPass: (passed: Passed) => void;
  run: (id: RunCommand) => boolean;
}) {
  return (
    <>
      {held.length > 0 && (
        <p className={css['held']} role="alert">
          <strong>Not seen molten: {heatedInWords(held)}.</strong> What still holds takes its land along.
        </p>
      )}
      {kept && (
        <TextField
          label="Where it will lie: tray, bag, drawer"
          value={where}
          maxLength={80}
          onChange={(event) => onWhere(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
          }}
        />
      )}
      <div className={css['buttons']}>
        <CommandButton
          command={command('go')}
          label={
            held.length === 0 ? 'It is off' : asked ? 'Yes, they moved freely' : 'It moved freely, it is off'
          }
          look={held.length === 0 ? 'primary' : 'outline'}
          className={css['big']}
          run={run}
        />
        {held.length > 0 && (
          <CommandButton
            command={command('again')}
            label={`Heat ${heatedInWords(held.slice(0, 1))} again`}
            look="primary"
            className={css['big']}
            run={run}
          />
        )}
        <CommandButton command={command('why')} look="plain" run={run} />
      </div>
      {held.length > 0 && (
        <PassAnyway
          why="Why the part comes off all the same"
          onPass={(reason) => onPass({ kind: 'override', reason })}
        />
      )}
    </>
  );
}
