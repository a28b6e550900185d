import { useReady } from '~/ui/useReady';
import { useStore } from '@nanostores/react';
import { useMemo, useReducer, type Dispatch } from 'react';
import { useDropzone } from 'react-dropzone';
import type { ImportRecord } from '~/schema/records/board/boardImport';
import type { ImportSheet } from '~/schema/sheets/boardSheet';
import { postJson } from '~/ui/api';
import { ButtonLink, CommandButton, KeyCap } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import type { ImportGround } from '~/workers/protocol';
import { IMPORT_COMMANDS, type ImportCommand } from './commands';
import { Earlier } from './Earlier';
import { FileList } from './FileList';
import { ImportFace } from './ImportFace';
import { PartList } from './PartList';
import { Doubts } from './Doubts';
import {
  fileInDoubt,
  hasWork,
  importOf,
  keptCount,
  reduce,
  start,
  type ImportAction,
  type ImportState,
} from './state';
import { useReading } from './useReading';
import { SitesLater } from '~/islands/large/SitesLater';
import { fromPage } from '~/ui/fromPage';
import css from './import.module.css';

/** All files together; larger ones are no board of this trade. */
const LARGEST_bytes = 60e6;

/** Files to a board's face: what would be made is shown first, and nothing is written until it is accepted. */
function ImportView({ sheet }: { sheet: ImportSheet }) {
  const { board, sites } = sheet;
  const by = useStore($by);
  const [state, dispatch] = useReducer(reduce, sheet.imports, start);
  const ready = useReady();
  const ground = useMemo<ImportGround>(
    () => ({
      construction: board.construction,
      taken: sites.map((site) => site.ref),
      alloy: sites[0]?.alloy ?? 'sn60pb40',
    }),
    [board, sites],
  );
  const { stop } = useReading(ground, state, dispatch);
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    onDrop: (dropped) => void take(dropped),
  });

  const take = async (files: readonly File[]): Promise<void> => {
    const size = files.reduce((sum, file) => sum + file.size, 0);
    if (size > LARGEST_bytes) {
      const error = new Error(
        `These files hold ${Math.round(size / 1e6)} MB together; give at most ${LARGEST_bytes / 1e6} MB, those of one board.`,
      );
      dispatch({ type: 'failed', error });
      return;
    }
    const read = await Promise.all(
      files.map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })),
    );
    if (read.length > 0) dispatch({ type: 'files', files: read });
  };

  const accept = async (): Promise<void> => {
    const wanted = importOf(state, by);
    if (!wanted) return;
    dispatch({ type: 'writing' });
    try {
      await postJson<ImportRecord>(`/api/boards/${board.id}/imports`, wanted);
      window.location.href = `/boards/${board.id}`;
    } catch (error) {
      dispatch({ type: 'failed', error });
    }
  };

  const { preview, reading } = state;
  const { struck } = state;
  const kept = useMemo(() => keptCount({ preview, struck }), [preview, struck]);
  const busy = reading.status === 'reading' || reading.status === 'writing';
  const canAccept = !busy && hasWork(state) && by !== '';
  const run = (id: ImportCommand): boolean => {
    const planned = preview?.sites ?? [];
    const at = planned.findIndex(({ site }) => site.ref === state.chosen);
    switch (id) {
      case 'choose-files':
        open();
        return true;
      case 'accept':
        if (canAccept) void accept();
        return canAccept;
      case 'next':
      case 'previous': {
        const to = planned[Math.min(planned.length - 1, Math.max(0, at + (id === 'next' ? 1 : -1)))];
        if (to) dispatch({ type: 'choose', ref: to.site.ref });
        return to !== undefined;
      }
      case 'strike':
        if (state.chosen) dispatch({ type: 'strike', ref: state.chosen });
        return state.chosen !== null;
      case 'flip':
        dispatch({ type: 'flip' });
        return true;
      case 'remedy-1':
      case 'remedy-2':
      case 'remedy-3': {
        const remedy = preview?.doubts[0]?.remedies[Number(id.slice(-1)) - 1];
        if (remedy) dispatch({ type: 'readings', readings: remedy.readings });
        return remedy !== undefined;
      }
      case 'leave-out': {
        const name = fileInDoubt(state);
        if (name !== null) dispatch({ type: 'leave-out', name });
        return name !== null;
      }
      case 'clear':
        if (state.files.length === 0) return false;
        dispatch({ type: 'clear' });
        return true;
      case 'cancel':
        if (reading.status !== 'reading') return false;
        stop();
        return true;
    }
  };
  useCommands('import', IMPORT_COMMANDS, run);
  const command = (id: ImportCommand) => IMPORT_COMMANDS.find((c) => c.id === id)!;

  return (
    <div
      {...getRootProps({ className: css['view'] })}
      data-ready={ready || undefined}
      data-read={(preview && !busy) || undefined}
    >
      {/* Out of sight by a class: the content policy takes no style in the page's text. */}
      <input {...getInputProps({ 'aria-label': 'Files to import' })} className="sr-only" style={undefined} />
      <section className={css['bar']} aria-label="Import">
        <div>
          <p className={css['line']}>
            {preview
              ? `${kept} ${kept === 1 ? 'part' : 'parts'}, ${preview.nets} nets${preview.layers.length > 0 ? `, copper of ${preview.layers.length === 1 ? 'one layer' : `${preview.layers.length} layers`}` : ''}${preview.profile?.edge ? ', its edge' : ''}${preview.profile?.holes.length ? `, ${preview.profile.holes.length} holes` : ''}. Nothing is written yet.`
              : isDragActive
                ? 'Let go to read them.'
                : 'Drop a board’s files here, or the archive that they came in.'}
          </p>
          <p className="quiet">
            IPC-D-356A netlist · Gerber artwork · Excellon drill · placement and parts lists · zip
          </p>
        </div>
        <div className={css['actions']}>
          {reading.status === 'reading' && (
            <>
              <progress max={1} value={reading.share} aria-label={reading.doing} />
              <CommandButton small command={command('cancel')} run={run} />
            </>
          )}
          <CommandButton command={command('choose-files')} look={preview ? 'outline' : 'primary'} run={run} />
          {preview && (
            <CommandButton
              command={command('accept')}
              look="primary"
              disabled={!canAccept}
              label={reading.status === 'writing' ? 'Writing…' : 'Write it to the board'}
              run={run}
            />
          )}
        </div>
      </section>
      {preview && by === '' && <p role="alert">{SIGN_FIRST}</p>}
      <ErrorNote error={reading.status === 'failed' ? reading.error : null} />
      {preview?.edge_mm && differs(preview.edge_mm, board.construction) && (
        <p role="status">
          The edge that is drawn measures {preview.edge_mm[0]} × {preview.edge_mm[1]} mm; this board is told
          to be {board.construction.length_mm} × {board.construction.width_mm} mm.{' '}
          <a href={`/boards/${board.id}/edit`}>Edit board details</a> first, then read the files again.
        </p>
      )}

      {preview && <Doubts preview={preview} dispatch={dispatch} />}
      {!preview && state.files.length > 0 && (
        <StoppedFiles
          files={state.files}
          without={state.choices.without}
          reading={reading}
          dispatch={dispatch}
        />
      )}
      {preview && (
        <div className={css['columns']}>
          <section aria-label="Files" className={css['files']}>
            <FileList
              preview={preview}
              without={state.choices.without}
              layerCount={board.construction.copperLayers.length}
              dispatch={dispatch}
              clear={<CommandButton small command={command('clear')} run={run} />}
            />
          </section>
          <section aria-label="Face" className={css['face']}>
            <ImportFace
              sheet={sheet}
              preview={preview}
              families={state.families}
              struck={state.struck}
              chosen={state.chosen}
              side={state.side}
              dispatch={dispatch}
            />
            <CommandButton
              small
              command={command('flip')}
              label={state.side === 'top' ? 'Top face' : 'Bottom face'}
              run={run}
            />
          </section>
          <section aria-label="Parts" className={css['parts']}>
            <h2>Parts it would place</h2>
            <PartList
              sites={preview.sites}
              families={state.families}
              struck={state.struck}
              chosen={state.chosen}
              dispatch={dispatch}
            />
            {preview.sites.length === 0 && (
              <p className="quiet">
                {preview.leftOut.length > 0
                  ? 'None: what the files name is left out, for the reasons below.'
                  : 'None: these files tell of no parts.'}
              </p>
            )}
            {preview.leftOut.length > 0 && (
              <>
                <h2>Left out</h2>
                <ul className={css['left']}>
                  {preview.leftOut.map(({ ref, why }, i) => (
                    <li key={`${ref}-${i}`}>
                      <span className="digits">{ref}</span> {why}
                    </li>
                  ))}
                </ul>
              </>
            )}
          </section>
        </div>
      )}
      <Earlier
        boardId={board.id}
        records={state.earlier}
        onUndone={(record) => dispatch({ type: 'undone', record })}
        onFailed={(error) => dispatch({ type: 'failed', error })}
      />
      {!preview && (
        <p>
          <ButtonLink href={`/boards/${board.id}`}>
            Back to the board <KeyCap of="Backspace" />
          </ButtonLink>
        </p>
      )}
    </div>
  );
}

export const ImportIsland = fromPage(ImportView);

/** The same of a large board. */
export const ImportLater = fromPage(
  ({ sheet, pads }: { sheet: Omit<ImportSheet, 'sites'>; pads: number }) => (
    <SitesLater boardId={sheet.board.id} pads={pads}>
      {(sites) => <ImportView sheet={{ ...sheet, sites }} />}
    </SitesLater>
  ),
);

/** What was dropped while nothing is read of it: while it is being read, after it was stopped, and where it could not be. */
function StoppedFiles({
  files,
  without,
  reading,
  dispatch,
}: Pick<ImportState, 'files' | 'reading'> & {
  readonly without: readonly string[];
  readonly dispatch: Dispatch<ImportAction>;
}) {
  return (
    <section aria-label="Files" className={css['files']}>
      {reading.status === 'stopped' && (
        <p role="status">Stopped. Leave a file out, or drop others; what is left is read again.</p>
      )}
      {reading.status === 'reading' && <p className="quiet">{reading.doing}…</p>}
      <ul className={css['list']}>
        {files.map(({ name }) => (
          <li key={name}>
            <span className={css['name']}>{name}</span>{' '}
            {without.includes(name) ? (
              <span className="quiet">left out</span>
            ) : (
              <button
                type="button"
                className={css['plain']}
                onClick={() => dispatch({ type: 'leave-out', name })}
              >
                leave out
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Files and the record agree on a board's size to within a router's pass. */
const SAME_SIZE_mm = 1;

const differs = (
  [length, width]: readonly [number, number],
  { length_mm, width_mm }: { readonly length_mm: number; readonly width_mm: number },
): boolean => Math.abs(length - length_mm) > SAME_SIZE_mm || Math.abs(width - width_mm) > SAME_SIZE_mm;
