import { useReady } from '~/ui/useReady';
import { useEffect, useMemo, useReducer, useRef } from 'react';
import type { RecapSheet } from '~/schema/sheets/recapSheet';
import { Button, ButtonLink, CommandButton, KeyCap } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { day } from '~/ui/dates';
import { minutesText } from '~/ui/figures';
import { useCommands } from '~/ui/keyboard/useCommands';
import { VirtualRows } from '~/ui/list/VirtualRows';
import { JobClient } from '~/workers/jobClient';
import { RECAP_COMMANDS, recapCommand, type RecapCommand } from './commands';
import { Orders } from './Orders';
import { PickList } from './PickList';
import { isAgeing, reduce, shownKept, start, toPlanAgain } from './state';
import { Traveller } from './Traveller';
import { useRound } from './useRound';
import { Fetched } from '~/islands/large/Fetched';
import { fromPage } from '~/ui/fromPage';
import css from './recap.module.css';

/** A row of the choice, px, and so many of them with the page itself. */
const ROW_px = 41;
const FIRST = 20;
const idOf = ({ id }: { readonly id: string }): string => id;

/** A whole board's job: which parts, in which order, what to have ready, what each order costs, and how far it is. */
function RecapView({ sheet }: { sheet: RecapSheet }) {
  const [state, dispatch] = useReducer(reduce, sheet, start);
  const ready = useReady();
  const solver = useRef<JobClient<'recap'> | null>(null);
  const { chosen, asked, run: computing } = state;
  const { kept } = sheet;

  useEffect(() => {
    if (asked === null || asked.length === 0) return;
    solver.current ??= new JobClient<'recap'>();
    dispatch({ type: 'started' });
    solver.current.solve(
      { kind: 'recap', boardId: sheet.board.id, siteIds: [...asked] },
      {
        onProgress: (p) => p.stage === 'search' && dispatch({ type: 'progress', done: p.done, of: p.of }),
        onDone: (answer) => dispatch({ type: 'done', answer }),
        onFailed: (message) => dispatch({ type: 'failed', message }),
      },
    );
    return () => solver.current?.cancel();
  }, [sheet, asked]);
  useEffect(
    () => () => {
      solver.current?.dispose();
      solver.current = null;
    },
    [],
  );

  const answer = computing.status === 'done' ? computing.answer : null;
  const { keep, begin } = useRound(sheet, state, dispatch);
  const run = (id: RecapCommand): boolean => {
    switch (id) {
      case 'begin':
        return begin();
      case 'by-value':
      case 'by-area':
        dispatch({ type: 'order', order: id === 'by-value' ? 'value' : 'area' });
        return true;
      case 'keep':
        return keep();
      case 'kit': {
        const recapId = shownKept(state, kept)?.round.recapId;
        if (recapId === undefined) return false;
        window.location.assign(`/boards/${sheet.board.id}/recaps/${recapId}/kit`);
        return true;
      }
      case 'again':
        dispatch({ type: 'choose', ids: toPlanAgain(state, kept) });
        return true;
      case 'print':
        window.print();
        return true;
      case 'cancel':
        if (computing.status !== 'running') return false;
        solver.current?.cancel();
        dispatch({ type: 'stopped' });
        return true;
    }
  };
  useCommands('recap', RECAP_COMMANDS, run);

  const taken = useMemo(() => new Set(chosen), [chosen]);
  const round = shownKept(state, kept)?.round ?? null;
  if (sheet.sites.length === 0) {
    return <p data-ready={ready || undefined}>This board has no sites yet: place or import them first.</p>;
  }
  return (
    <div className={css['view']} data-ready={ready || undefined} data-solved={answer !== null || undefined}>
      <section aria-label="Which sites" className={css['which']}>
        <h2>Which</h2>
        <div className={css['picks']}>
          <Button
            small
            onClick={() => dispatch({ type: 'choose', ids: sheet.sites.filter(isAgeing).map((s) => s.id) })}
          >
            Every electrolytic
          </Button>
          {sheet.groups.map((group) => (
            <Button key={group.id} small onClick={() => dispatch({ type: 'choose', ids: group.siteIds })}>
              {group.name}
            </Button>
          ))}
        </div>
        <VirtualRows
          label="Parts to choose from"
          rows={sheet.sites}
          keyOf={idOf}
          row_px={ROW_px}
          first={FIRST}
          className={css['sites']}
        >
          {({ id, ref, value }) => (
            <label>
              <input
                type="checkbox"
                checked={taken.has(id)}
                onChange={({ target }) =>
                  dispatch({
                    type: 'choose',
                    ids: target.checked ? [...chosen, id] : chosen.filter((other) => other !== id),
                  })
                }
              />
              <strong>{ref}</strong> <span className="quiet">{value}</span>
            </label>
          )}
        </VirtualRows>
      </section>
      <div className={css['plan']}>
        {chosen.length === 0 && <p>Choose the parts, and both orders are computed.</p>}
        {computing.status === 'running' && (
          <p className={css['progress']} role="status">
            <progress max={computing.of} value={computing.done} aria-label="Computing" />
            Planning site {Math.min(computing.of, computing.done + 1)} of {computing.of}
            <CommandButton small look="plain" command={recapCommand('cancel')} run={run} />
          </p>
        )}
        {computing.status === 'stopped' && <p>Stopped. Choose again to go on.</p>}
        {computing.status === 'failed' && <p role="alert">The computation failed: {computing.message}.</p>}
        <ErrorNote error={state.error} />
        {answer && (
          <>
            <Standing boardId={sheet.board.id} round={round} busy={state.busy} run={run} />
            {round?.begun ? (
              <details>
                <summary>The two orders</summary>
                <Orders answer={answer} order={state.order} run={run} />
              </details>
            ) : (
              <Orders answer={answer} order={state.order} run={run} />
            )}
            <Traveller answer={answer} order={state.order} sites={sheet.sites} round={round} onTake={begin} />
          </>
        )}
      </div>
      {answer && <PickList answer={answer} />}
    </div>
  );
}

export const RecapIsland = fromPage(RecapView);

/** The same of a large board. */
export const RecapLater = ({ boardId, pads }: { readonly boardId: string; readonly pads: number }) => (
  <Fetched at={`/api/boards/${boardId}/recap-sheet`} pads={pads}>
    {(sheet) => <RecapView sheet={sheet as RecapSheet} />}
  </Fetched>
);

interface StandingProps {
  readonly boardId: string;
  readonly round: NonNullable<RecapSheet['kept']>['round'] | null;
  readonly busy: string | null;
  readonly run: (id: RecapCommand) => void;
}

/** How far it is, what is next, and the way on. */
function Standing({ boardId, round, busy, run }: StandingProps) {
  const of = round?.lines.length ?? 0;
  const done = round?.lines.filter((line) => line.status === 'done').length ?? 0;
  const begun = round?.begun ?? false;
  const over = round !== null && round.next === null;
  return (
    <section className={css['standing']} aria-label="How far it is">
      {begun && (
        <p className={css['progress']}>
          <progress max={of} value={done} aria-label="Parts done" />
          <strong>
            {done} of {of} done
          </strong>
          {!over && <span>about {minutesText(round!.left_min)} left</span>}
        </p>
      )}
      {round && !begun && (
        <p className="quiet">
          Kept by {round.by}, {day(round.at_ms)}: {round.name}.
        </p>
      )}
      {round && round.uncleaned.length > 0 && (
        <p>
          Not cleaned and dried yet: {round.uncleaned.join(', ')}. The last part’s job ends with it; so does
          any pause where you stop.
        </p>
      )}
      {over ? (
        <p className={css['ways']}>
          Every part is done.
          <ButtonLink href={`/boards/${boardId}`} look="primary">
            To the board
          </ButtonLink>
          <ButtonLink small href={`/boards/${boardId}/recaps/${round.recapId}`}>
            Sheet of what was done
          </ButtonLink>
        </p>
      ) : (
        <p className={css['ways']}>
          <CommandButton
            command={recapCommand('begin')}
            label={begun ? `Go on with ${round!.next!.ref}` : 'Begin with the first'}
            look="primary"
            disabled={busy !== null}
            run={run}
          />
          {round === null && <CommandButton small command={recapCommand('keep')} run={run} />}
          {round !== null && (
            <ButtonLink small href={`/boards/${boardId}/recaps/${round.recapId}/kit`}>
              Kit <KeyCap of={recapCommand('kit').keys[0]!} />
            </ButtonLink>
          )}
          {begun && <CommandButton small look="plain" command={recapCommand('again')} run={run} />}
          <CommandButton small look="plain" command={recapCommand('print')} run={run} />
          {begun && (
            <ButtonLink small href={`/boards/${boardId}/recaps/${round!.recapId}`}>
              Sheet of what was done
            </ButtonLink>
          )}
        </p>
      )}
      {busy && <p role="status">{busy}</p>}
    </section>
  );
}
