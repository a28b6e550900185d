import { useReducer } from 'react';
import { useDropzone } from 'react-dropzone';
import type { BundleOutcome } from '~/schema/exchange/bundleOutcome';
import { postFile } from '~/ui/api';
import { ButtonLink, CommandButton } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { useCommands } from '~/ui/keyboard/useCommands';
import { useReady } from '~/ui/useReady';
import { RECORD_COMMANDS, type RecordCommand } from './commands';
import { freshInWords, reduce, start } from './state';
import css from './record.module.css';

const command = (id: RecordCommand) => RECORD_COMMANDS.find((c) => c.id === id)!;

/** The shop's record carried away whole, and one brought in: looked at first, written when it is said so. */
export function RecordView({ may }: { readonly may: boolean }) {
  const [state, dispatch] = useReducer(reduce, start);
  const ready = useReady();
  const { getRootProps, getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    disabled: !may,
    onDrop: ([file]) => void (file && look(file)),
  });
  const look = async (file: File): Promise<void> => {
    dispatch({ type: 'chosen', file });
    try {
      dispatch({ type: 'looked', file, found: await sent(file, '?look=yes') });
    } catch (error) {
      dispatch({ type: 'failed', error });
    }
  };
  const bringIn = async (keep: 'mine' | 'theirs' | null): Promise<void> => {
    if (state.status !== 'looked') return;
    dispatch({ type: 'writing' });
    try {
      dispatch({ type: 'written', found: await sent(state.file, keep === null ? '' : `?keep=${keep}`) });
    } catch (error) {
      dispatch({ type: 'failed', error });
    }
  };
  const differs = state.status === 'looked' && state.found.conflictCount > 0;
  const run = (id: RecordCommand): boolean => {
    switch (id) {
      case 'choose-files':
        if (may) open();
        return may;
      case 'accept':
        if (state.status !== 'looked' || differs) return false;
        void bringIn(null);
        return true;
      case 'keep-mine':
      case 'take-theirs':
        if (!differs) return false;
        void bringIn(id === 'keep-mine' ? 'mine' : 'theirs');
        return true;
      case 'cancel':
        if (state.status === 'idle' || state.status === 'writing') return false;
        dispatch({ type: 'left' });
        return true;
    }
  };
  useCommands('record', RECORD_COMMANDS, run);
  return (
    <div {...getRootProps({ className: css['out'] })} data-ready={ready || undefined}>
      <input
        {...getInputProps({ 'aria-label': 'Bundle to bring in' })}
        className="sr-only"
        style={undefined}
      />
      <section aria-label="Take out">
        <h2>Take out</h2>
        <ul>
          {may && (
            <li>
              <a href="/api/bundles" download>
                The whole workshop, as a bundle
              </a>
              <span className="quiet">
                Boards, jobs, findings, photos, logs, tools, stock: everything but people and their
                passphrases. The same record gives the same bytes.
              </span>
            </li>
          )}
          <li>
            <a href="/api/stock.csv" download>
              Stock, as a table
            </a>
            <span className="quiet">Every line, what is left of it and where it lies.</span>
          </li>
          <li>
            <a href="/api/calendar.ics" download>
              Calendar
            </a>
            <span className="quiet">
              Clocks that end, boards and parts that come back, work that was put off.
            </span>
          </li>
        </ul>
        <p className="quiet">One board alone is taken out on its own page, behind the full stop.</p>
      </section>
      {may ? (
        <section aria-label="Bring in">
          <h2>Bring in</h2>
          <p>
            A bundle of a board or of a workshop, dropped here or chosen. It is looked at first; nothing is
            written before you say so.
          </p>
          <CommandButton
            command={command('choose-files')}
            look={state.status === 'looked' ? 'outline' : 'primary'}
            run={run}
          />
          <div aria-live="polite">
            {state.status === 'looking' && <p>Looking at {state.file.name}…</p>}
            {(state.status === 'looked' || state.status === 'writing') && (
              <Found found={state.found} name={state.file.name} busy={state.status === 'writing'} run={run} />
            )}
            {state.status === 'written' && (
              <p role="status">
                <strong>Brought in: {freshInWords(state.found.fresh)}.</strong>{' '}
                {state.found.same > 0 && `${state.found.same.toLocaleString('en')} rows were here already. `}
                <ButtonLink href="/" small>
                  To the bench
                </ButtonLink>
              </p>
            )}
          </div>
          <ErrorNote error={state.status === 'failed' ? state.error : null} />
        </section>
      ) : (
        <p>Carrying the whole workshop away, and bringing a bundle in, is a lead’s.</p>
      )}
    </div>
  );
}

const sent = (file: File, asked: string): Promise<BundleOutcome> =>
  postFile<BundleOutcome>(`/api/bundles${asked}`, file, 'application/zip');

/** What a bundle would bring, and where it says something else than is here. */
function Found({
  found,
  name,
  busy,
  run,
}: {
  readonly found: BundleOutcome;
  readonly name: string;
  readonly busy: boolean;
  readonly run: (id: RecordCommand) => boolean;
}) {
  const { scope, fresh, same, conflicts, conflictCount } = found;
  return (
    <>
      <p>
        <strong>
          {name}: {scope.kind === 'shop' ? 'a whole workshop' : `the board ${scope.name}`}. It would bring{' '}
          {freshInWords(fresh)}.
        </strong>{' '}
        {same > 0 && `${same.toLocaleString('en')} rows are here already and say the same.`}
      </p>
      {conflictCount > 0 && (
        <>
          <p>
            {conflictCount.toLocaleString('en')} {conflictCount === 1 ? 'row says' : 'rows say'} something
            else here:
          </p>
          <ul>
            {conflicts.map(({ table, row, differs, kept }) => (
              <li key={`${table} ${row}`}>
                <span>
                  {table.replaceAll('_', ' ')} <span className="digits">{row}</span>
                </span>
                <span className="quiet">
                  {differs.join(', ')}
                  {kept && '; what happened stays as it is here'}
                </span>
              </li>
            ))}
          </ul>
          {conflictCount > conflicts.length && (
            <p className="quiet">and {conflictCount - conflicts.length} more</p>
          )}
        </>
      )}
      <p>
        {conflictCount > 0 ? (
          <>
            <CommandButton command={command('keep-mine')} disabled={busy} run={run} />{' '}
            <CommandButton command={command('take-theirs')} disabled={busy} run={run} />
          </>
        ) : (
          <CommandButton
            command={command('accept')}
            look="primary"
            disabled={busy}
            label={busy ? 'Bringing it in…' : 'Bring it in'}
            run={run}
          />
        )}{' '}
        <CommandButton command={command('cancel')} disabled={busy} run={run} />
      </p>
    </>
  );
}
