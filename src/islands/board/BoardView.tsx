import { useReady } from '~/ui/useReady';
import { useMemo, useReducer } from 'react';
import { exposuresOf, sharedLife } from '~/core/record/heatLife';
import type { BoardSheet } from '~/schema/sheets/boardSheet';
import { constructionInWords, HAZARD_WORDS, recordInWords } from '~/schema/words/words';
import { ButtonLink, KeyCap } from '~/ui/controls/Button';
import { Caution } from '~/ui/controls/Notes';
import { useCommands } from '~/ui/keyboard/useCommands';
import { BOARD_COMMANDS, type BoardCommand } from './commands';
import { statesOf } from '~/islands/findings/marking';
import { FacePanel } from './FacePanel';
import { matches, passes } from './find';
import { ledger } from './ledger';
import { LedgerList } from './LedgerList';
import { PlacePanel } from './PlacePanel';
import { SiteHeat } from './SiteHeat';
import { SitePanel } from './SitePanel';
import { initialState, reduce } from './state';
import { useCopperMarks } from './useCopperMarks';
import { Weight } from './Weight';
import css from './board.module.css';

/** The face of one board, its sites and findings, and the ledger of what happened to it. */
export function BoardView({ sheet }: { sheet: BoardSheet }) {
  const { board, jobs, imports, readings } = sheet;
  const { construction } = board;
  const [state, dispatch] = useReducer(reduce, sheet, initialState);
  const ready = useReady();

  const { sites, findings, faceFindings } = state;
  const site = sites.find((s) => s.id === state.siteId) ?? null;
  const running = jobs.find((job) => job.siteId === site?.id && job.status === 'running');
  const exposures = useMemo(() => exposuresOf(jobs, sites), [jobs, sites]);
  const heated = useMemo(() => new Set(exposures.map((e) => e.padId)), [exposures]);
  const lines = useMemo(
    () => ledger({ jobs, sites, imports, readings, faceFindings }, findings),
    [jobs, sites, imports, readings, faceFindings, findings],
  );
  const padStates = useMemo(() => statesOf(findings), [findings]);
  const shown = sites.filter(
    (s) =>
      matches(s, state.query, padStates) &&
      passes(s, state.filter, padStates, heated) &&
      (state.group === null || state.group.includes(s.id)),
  );
  const pick = (id: string): void => {
    const picked = sites.find((s) => s.id === id);
    if (picked) dispatch({ type: 'site', id, side: picked.side });
  };
  const { stroke, name } = useCopperMarks(construction, site, state.run, dispatch);
  const draw = (): void =>
    dispatch(
      state.drawing
        ? { type: 'draw-leave' }
        : {
            type: 'draw',
            kind: 'area',
            cursor: {
              x_mm: site?.x_mm ?? construction.length_mm / 2,
              y_mm: site?.y_mm ?? construction.width_mm / 2,
            },
          },
    );
  const go = (path: string): boolean => {
    window.location.href = path;
    return true;
  };

  useCommands<BoardCommand>('board', BOARD_COMMANDS, (id) => {
    const at = shown.findIndex((s) => s.id === state.siteId);
    switch (id) {
      case 'next':
      case 'previous': {
        const to = shown[Math.min(shown.length - 1, Math.max(0, at + (id === 'next' ? 1 : -1)))];
        if (to) pick(to.id);
        return to !== undefined;
      }
      case 'flip':
        dispatch({ type: 'flip' });
        return true;
      case 'mode':
        dispatch({ type: 'mode', mode: state.mode === 'copper' ? 'findings' : 'copper' });
        return site !== null;
      case 'draw':
        draw();
        return true;
      case 'plan':
        return site !== null && !running && go(`/sites/${site.id}/plan`);
      case 'resume':
        return running !== undefined && go(`/jobs/${running.id}`);
      case 'check':
        return site !== null && go(`/sites/${site.id}/check`);
      case 'place-site':
        return go(`/boards/${board.id}/place?side=${state.side}`);
      case 'import':
        return go(`/boards/${board.id}/import`);
      case 'photos':
        return go(`/boards/${board.id}/photos`);
      case 'recap':
        return state.sites.length > 1 && go(`/boards/${board.id}/recap`);
      case 'edit':
        return go(`/boards/${board.id}/edit`);
      case 'correct':
        return site !== null && go(`/sites/${site.id}/edit`);
      case 'label':
        return go(`/boards/${board.id}/label`);
    }
  });

  const marking = state.drawing !== null || state.placeId !== null;
  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <section className={css['intake']}>
        <div>
          <p className={css['fault']}>{board.fault}</p>
          <p className="quiet">
            {constructionInWords(construction)}
            {recordInWords(board)}. <Weight construction={construction} />
          </p>
          {board.triedBefore && <p className="quiet">Tried before: {board.triedBefore}</p>}
          {board.fixtures && <p className="quiet">To go back as it was: {board.fixtures}</p>}
          {board.hazards.map((hazard) => (
            <Caution key={hazard}>
              {HAZARD_WORDS[hazard]}: cleared before anything is touched; the plan begins with it.
            </Caution>
          ))}
        </div>
        <div className={css['about']}>
          <SiteHeat
            label="Heat of this board so far"
            life={sharedLife(exposures)}
            nameOf={(padId) => padInWords(sites, padId)}
          />
          <div className={css['ways']}>
            <ButtonLink small href={`/boards/${board.id}/edit`}>
              Change <KeyCap of="e" />
            </ButtonLink>
            <ButtonLink small href={`/boards/${board.id}/photos`}>
              Photos {state.photos.length > 0 && <span className="digits">{state.photos.length}</span>}{' '}
              <KeyCap of="o" />
            </ButtonLink>
            <ButtonLink small href={`/boards/${board.id}/label`}>
              Label <KeyCap of="l" />
            </ButtonLink>
            {state.sites.length > 1 && (
              <ButtonLink small href={`/boards/${board.id}/recap`}>
                Whole board <KeyCap of="y" />
              </ButtonLink>
            )}
          </div>
        </div>
      </section>

      {sites.length === 0 && (
        <section className={css['none']}>
          <h2>No site on this board yet</h2>
          <p>
            Read the board’s files, or place the part you want to work on: its reference, where it sits, its
            dimensions, and what copper each pin meets.
          </p>
          <p className={css['ways']}>
            <ButtonLink href={`/boards/${board.id}/import`} look="primary">
              Import files <KeyCap of="i" />
            </ButtonLink>
            <ButtonLink href={`/boards/${board.id}/place`}>
              Place a site <KeyCap of="n" />
            </ButtonLink>
          </p>
        </section>
      )}
      <div className={css['columns']}>
        <FacePanel
          sheet={sheet}
          state={state}
          dispatch={dispatch}
          shown={shown}
          padStates={padStates}
          onPick={pick}
          onDraw={draw}
        />
        {marking ? (
          <PlacePanel
            boardId={board.id}
            copperLayers={construction.copperLayers.length}
            state={state}
            dispatch={dispatch}
          />
        ) : (
          site && (
            <SitePanel
              sheet={sheet}
              site={site}
              state={state}
              exposures={exposures}
              dispatch={dispatch}
              onStroke={stroke}
              onNet={name}
            />
          )
        )}
      </div>
      <LedgerList lines={lines} />
    </div>
  );
}

/** "C7 pin 2". */
function padInWords(sites: BoardSheet['sites'], padId: string): string {
  const owner = sites.find((s) => s.pads.some((p) => p.id === padId));
  return owner ? `${owner.ref} pin ${owner.pads.find((p) => p.id === padId)!.name}` : 'a pad';
}
