import { useReady } from '~/ui/useReady';
import { useMemo, useReducer, useRef, useState } from 'react';
import { AS_IT_CAME } from '~/core/record/occupancy';
import { exposuresOf, sharedLife } from '~/core/record/heatLife';
import type { BoardSheet } from '~/schema/sheets/boardSheet';
import { ButtonLink } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { useCommands } from '~/ui/keyboard/useCommands';
import { clocksOf } from '~/core/record/boardEntries';
import { refreshRail } from '~/islands/rail/railStore';
import { BoardBar } from './BoardBar';
import { BoardClocks } from './BoardClocks';
import { ClockDialog } from './ClockDialog';
import { BOARD_COMMANDS, COPPER_COMMANDS, type BoardCommand } from './commands';
import { statesOf } from '~/islands/findings/marking';
import { FacePanel } from './FacePanel';
import { matches, passes } from './find';
import { ledger } from './ledger';
import { LedgerList } from './LedgerList';
import { MoreDialog } from './MoreDialog';
import { OpenWork } from './OpenWork';
import { PartDialog } from './PartDialog';
import { PlacePanel } from './PlacePanel';
import { SiteHeat } from './SiteHeat';
import { SitePanel } from './SitePanel';
import { initialState, reduce } from './state';
import { StageDialog, type StageAsked } from './StageDialog';
import { Story } from './Story';
import { useStanding } from './useStanding';
import { useCopperMarks } from './useCopperMarks';
import { fromPage } from '~/ui/fromPage';
import css from './board.module.css';

/** The face of one board, its sites and findings, and the ledger of what happened to it. */
export function BoardView({ sheet }: { sheet: BoardSheet }) {
  const { jobs, imports, readings } = sheet;
  const { construction } = sheet.board;
  const [state, dispatch] = useReducer(reduce, sheet, initialState);
  const ready = useReady();
  const { standing, error, enter, forget } = useStanding(sheet.standing, state.findings.length);
  const { board, stage, open, occupancies } = standing;
  const [asked, setAsked] = useState<StageAsked | null>(null);
  const [part, setPart] = useState(false);
  const [more, setMore] = useState(false);
  const [clocking, setClocking] = useState(false);
  const clocks = useMemo(() => clocksOf(standing.entries), [standing.entries]);
  const lands = useRef<HTMLDivElement>(null);

  const { sites, findings, faceFindings } = state;
  const site = sites.find((s) => s.id === state.siteId) ?? null;
  const running = jobs.find((job) => job.siteId === site?.id && job.status === 'running');
  const underWay = useMemo(
    () => new Set(jobs.filter((job) => job.status === 'running').map((job) => job.id)),
    [jobs],
  );
  const exposures = useMemo(() => exposuresOf(jobs, sites), [jobs, sites]);
  const heated = useMemo(() => new Set(exposures.map((e) => e.padId)), [exposures]);
  const lines = useMemo(
    () => ledger({ jobs, sites, imports, readings, faceFindings }, findings, standing.entries),
    [jobs, sites, imports, readings, faceFindings, findings, standing.entries],
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

  const ask = (what: StageAsked): boolean => {
    if (what !== 'reopen' && stage.is === 'closed') return false;
    forget();
    setAsked(what);
    return true;
  };

  useCommands('copper', COPPER_COMMANDS, (id) => {
    if (state.mode !== 'copper' || !state.marking) return false;
    if (id === 'leave') dispatch({ type: 'marking', on: false });
    else if (state.run.length > 0) stroke(id);
    return true;
  });

  const run = (id: BoardCommand): boolean => {
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
      case 'mark':
      case 'copper': {
        if (site === null) return false;
        const mode = id === 'mark' ? 'findings' : 'copper';
        dispatch({ type: 'mode', mode, marking: state.mode !== mode || !state.marking });
        if (state.pad === null) dispatch({ type: 'pad', pad: site.pads[0]!.name });
        // Digits and arrows choose a pad where the lands have the focus.
        lands.current?.querySelector<SVGElement>('[role="listbox"]')?.focus();
        return true;
      }
      case 'hand-back':
        return ask('hand-back');
      case 'park':
        if (stage.is !== 'parked') return ask('park');
        enter({ kind: 'resumed' });
        return true;
      case 'scrap':
        return ask(stage.is === 'closed' ? 'reopen' : 'scrap');
      case 'more':
        setMore(true);
        return true;
      case 'part':
        setPart(site !== null);
        return site !== null;
      case 'clock':
        if (stage.is === 'closed') return false;
        forget();
        setClocking(true);
        return true;
      case 'draw':
        draw();
        return true;
      case 'work':
        return site !== null && go(running ? `/jobs/${running.id}` : `/sites/${site.id}/plan`);
      case 'check':
        return site !== null && go(`/sites/${site.id}/check`);
      case 'swap':
        return site !== null && go(`/parts?site=${site.id}`);
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
      case 'out':
        return go(`/boards/${board.id}/out`);
      case 'label':
        return go(`/boards/${board.id}/label`);
    }
  };
  useCommands<BoardCommand>('board', BOARD_COMMANDS, run);

  const marking = state.drawing !== null || state.placeId !== null;
  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <BoardBar
        boardId={board.id}
        side={state.side}
        stage={stage.is}
        several={sites.length > 1}
        drawing={state.drawing !== null}
        onDraw={draw}
        run={run}
      />
      <Story
        standing={standing}
        construction={construction}
        onResume={() => run(stage.is === 'parked' ? 'park' : 'scrap')}
      />

      {sites.length === 0 && (
        <section className={css['none']}>
          <h2>No part on this board yet</h2>
          <p>
            Read the board’s files, or add the part you want to work on: its reference, where it sits, its
            dimensions, and what copper each pin meets.
          </p>
          <p className={css['ways']}>
            <ButtonLink href={`/boards/${board.id}/import`} look="primary">
              Import files
            </ButtonLink>
            <ButtonLink href={`/boards/${board.id}/place`}>Add a part</ButtonLink>
          </p>
        </section>
      )}
      {asked === null && !part && !clocking && <ErrorNote error={error} />}
      <div className={css['columns']} ref={lands}>
        <FacePanel
          sheet={sheet}
          state={state}
          dispatch={dispatch}
          shown={shown}
          padStates={padStates}
          occupancies={occupancies}
          onPick={pick}
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
              occupancy={occupancies[site.id] ?? AS_IT_CAME}
              onPart={() => run('part')}
              dispatch={dispatch}
              onStroke={stroke}
              onNet={name}
            />
          )
        )}
      </div>
      <SiteHeat
        label="Heat of this board so far"
        life={sharedLife(exposures)}
        nameOf={(padId) => padInWords(sites, padId)}
      />
      <OpenWork
        open={open}
        closed={stage.is === 'closed'}
        onSettle={({ key, says }, as, reason) => enter({ kind: 'settled', as, item: key, says, reason })}
        onSite={pick}
        onTested={() => ask('tested')}
      />
      <BoardClocks
        clocks={clocks}
        closed={stage.is === 'closed'}
        running={underWay}
        refOf={(siteId) => sites.find((s) => s.id === siteId)?.ref ?? ''}
        onEnter={(body) => enter(body, () => void refreshRail())}
        onStart={() => run('clock')}
      />
      <LedgerList lines={lines} />
      <StageDialog
        asked={asked}
        open={open}
        error={error}
        onClose={() => setAsked(null)}
        onEnter={(body) => enter(body, () => setAsked(null))}
      />
      <PartDialog
        site={part ? site : null}
        error={error}
        onClose={() => setPart(false)}
        onEnter={(body) => enter(body, () => setPart(false))}
      />
      <ClockDialog
        isOpen={clocking}
        site={site}
        error={error}
        onClose={() => setClocking(false)}
        onEnter={(body) =>
          enter(body, () => {
            setClocking(false);
            void refreshRail();
          })
        }
      />
      <MoreDialog isOpen={more} onClose={() => setMore(false)} run={run} />
    </div>
  );
}

export const BoardIsland = fromPage(BoardView);

/** "C7 pin 2". */
function padInWords(sites: BoardSheet['sites'], padId: string): string {
  const owner = sites.find((s) => s.pads.some((p) => p.id === padId));
  return owner ? `${owner.ref} pin ${owner.pads.find((p) => p.id === padId)!.name}` : 'a pad';
}
