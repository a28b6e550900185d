import { Button, CommandButton } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { RUN_COMMANDS, type RunCommand } from './commands';
import type { NextPart } from './useNextPart';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/** After a part of a whole board's job: on to the next, stop and clean what was worked, or another outcome. */
export function PauseStep({ nextRef, run }: { nextRef: string; run: (id: RunCommand) => boolean }) {
  return (
    <div className={css['buttons']}>
      <CommandButton
        command={command('go')}
        label={`Done as planned, on to ${nextRef}`}
        look="primary"
        className={css['big']}
        run={run}
      />
      <CommandButton command={command('stop-here')} run={run} />
      <CommandButton command={command('close')} label="Another outcome" look="plain" run={run} />
    </div>
  );
}

interface GoingOnProps {
  readonly ref_: string;
  readonly nextRef: string | null;
  readonly next: NextPart;
  readonly boardId: string;
  readonly onGo: () => void;
}

/** Between two parts: the next one is planned from the record as it is now. */
export function GoingOn({ ref_, nextRef, next, boardId, onGo }: GoingOnProps) {
  return (
    <div className={css['closed']}>
      <h2>{ref_} is done</h2>
      {next.is === 'failed' && <ErrorNote error={next.error} />}
      {nextRef === null ? (
        <p>It was the last that was left.</p>
      ) : next.is === 'planning' ? (
        <p role="status">Planning {nextRef} from the record as it is now…</p>
      ) : (
        <p>The bench stands as it was left. {nextRef} is next.</p>
      )}
      <div className={css['buttons']}>
        {nextRef !== null && (
          <CommandButton
            command={command('go')}
            label={`On to ${nextRef}`}
            look="primary"
            disabled={next.is === 'planning'}
            run={onGo}
          />
        )}
        <Button onClick={() => location.assign(`/boards/${boardId}/recap`)}>Whole board</Button>
      </div>
    </div>
  );
}
