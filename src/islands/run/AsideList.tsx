import type { Dispatch } from 'react';
import { refusal } from '~/core/record/refusal';
import type { RunEvent } from '~/core/record/runEvents';
import type { RunState, RunStep } from '~/core/record/runState';
import { Button } from '~/ui/controls/Button';
import { time } from '~/ui/dates';
import { entryWords } from './entryWords';
import type { SetAside } from './outbox';
import type { RunAction } from './state';
import css from './run.module.css';
import { newKey } from '~/ui/newKey';
import { $by } from '~/ui/preferences';

interface AsideListProps {
  readonly aside: readonly SetAside[];
  readonly steps: readonly (RunStep & { readonly title: string })[];
  readonly at: RunState;
  readonly events: readonly RunEvent[];
  readonly dispatch: Dispatch<RunAction>;
}

/**
 * Entries of this screen that could not follow what another had written: each with its reason, to be entered again where it
 * fits by now, kept as a note where it does not, or let go.
 */
export function AsideList({ aside, steps, at, events, dispatch }: AsideListProps) {
  if (aside.length === 0) return null;
  return (
    <section className={css['aside']} aria-label="Not written">
      <h2>Not written: {aside.length}</h2>
      <ul>
        {aside.map((entry) => {
          const fits = refusal(at, steps, entry.event, events) === null;
          const words = entryWords(entry.event, steps);
          const again = (): void => dispatch({ type: 'again', clientId: entry.clientId, newId: newKey() });
          const note = (): void => {
            const text =
              `Pressed ${time(entry.at_ms)} by ${entry.by}, not written then: ${words}. ${entry.reason}`.slice(
                0,
                600,
              );
            const { clientId: _old, reason: _reason, event: _event, ...rest } = entry;
            dispatch({
              type: 'wrote',
              entry: {
                ...rest,
                by: $by.get() || entry.by,
                clientId: newKey(),
                event: { kind: 'note', text },
              },
            });
            dispatch({ type: 'drop', clientId: entry.clientId });
          };
          return (
            <li key={entry.clientId}>
              <p>
                <strong>{words}</strong> <span className="digits">{time(entry.at_ms)}</span> {entry.by}:{' '}
                {entry.reason}
              </p>
              {fits ? (
                <Button small onClick={again}>
                  Enter it again
                </Button>
              ) : (
                <Button small onClick={note}>
                  Keep it as a note
                </Button>
              )}
              <Button small onClick={() => dispatch({ type: 'drop', clientId: entry.clientId })}>
                Let it go
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
