import { useReady } from '~/ui/useReady';
import { useEffect, useMemo, useReducer, useRef } from 'react';
import { useStore } from '@nanostores/react';
import type { RecapRecord } from '~/schema/records/jobs/recap';
import type { RecapAnswer, SequenceAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { RecapCandidate, RecapSheet } from '~/schema/sheets/recapSheet';
import { familyName } from '~/schema/exchange/si/part';
import { postJson } from '~/ui/api';
import { Button, CommandButton } from '~/ui/controls/Button';
import { Caution, ErrorNote } from '~/ui/controls/Notes';
import { budget } from '~/ui/figures';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { JobClient } from '~/workers/jobClient';
import { RECAP_COMMANDS, recapCommand, type RecapCommand } from './commands';
import { isAgeing, reduce, start } from './state';
import css from './recap.module.css';

/** A whole board's job: which sites, in which order, what to have ready, what each order costs. */
export function RecapView({ sheet }: { sheet: RecapSheet }) {
  const [state, dispatch] = useReducer(reduce, sheet, start);
  const ready = useReady();
  const by = useStore($by);
  const solver = useRef<JobClient<'recap'> | null>(null);
  const { chosen, run: computing } = state;

  useEffect(() => {
    if (chosen.length === 0) return;
    solver.current ??= new JobClient<'recap'>();
    dispatch({ type: 'started' });
    solver.current.solve(
      { kind: 'recap', boardId: sheet.board.id, siteIds: [...chosen] },
      {
        onProgress: (p) => p.stage === 'search' && dispatch({ type: 'progress', done: p.done, of: p.of }),
        onDone: (answer) => dispatch({ type: 'done', answer }),
        onFailed: (message) => dispatch({ type: 'failed', message }),
      },
    );
    return () => solver.current?.cancel();
  }, [sheet, chosen]);
  useEffect(
    () => () => {
      solver.current?.dispose();
      solver.current = null;
    },
    [],
  );

  const answer = computing.status === 'done' ? computing.answer : null;
  const keep = (): boolean => {
    if (!answer) return false;
    if (!by) {
      dispatch({
        type: 'refused',
        error: new Error(SIGN_FIRST),
      });
      return true;
    }
    const refs = sequenceOf(answer, state.order).refs;
    const idOf = new Map(sheet.sites.map((s) => [s.ref, s.id]));
    postJson<RecapRecord>(`/api/boards/${sheet.board.id}/recaps`, {
      name: `${refs.length} sites, ${state.order === 'value' ? 'value by value' : 'area by area'}`,
      by,
      order: state.order,
      siteIds: refs.map((ref) => idOf.get(ref)!),
      answer,
    }).then(
      () => dispatch({ type: 'kept', told: 'Kept with the board: go on from here at every visit.' }),
      (error: unknown) => dispatch({ type: 'refused', error }),
    );
    return true;
  };
  const run = (id: RecapCommand): boolean => {
    switch (id) {
      case 'by-value':
      case 'by-area':
        dispatch({ type: 'order', order: id === 'by-value' ? 'value' : 'area' });
        return true;
      case 'keep':
        return keep();
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
        <ul className={css['sites']}>
          {sheet.sites.map((site) => (
            <li key={site.id}>
              <label>
                <input
                  type="checkbox"
                  checked={chosen.includes(site.id)}
                  onChange={(event) =>
                    dispatch({
                      type: 'choose',
                      ids: event.target.checked
                        ? [...chosen, site.id]
                        : chosen.filter((id) => id !== site.id),
                    })
                  }
                />
                <strong>{site.ref}</strong> <span className="quiet">{site.value}</span>
              </label>
            </li>
          ))}
        </ul>
      </section>
      <div className={css['plan']}>
        {chosen.length === 0 && <p>Choose the sites, and both orders are computed.</p>}
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
        {answer && <Orders answer={answer} order={state.order} run={run} />}
        {answer && (
          <>
            {state.told && (
              <p role="status" className={css['told']}>
                {state.told}
              </p>
            )}
            <Traveller answer={answer} order={state.order} sites={sheet.sites} />
          </>
        )}
      </div>
      {answer && <Ready answer={answer} />}
    </div>
  );
}

const sequenceOf = (answer: RecapAnswer, order: 'value' | 'area'): SequenceAnswer =>
  order === 'value' ? answer.byValue : answer.byArea;

/** The two schools side by side, each with its figures. */
function Orders({
  answer,
  order,
  run,
}: {
  answer: RecapAnswer;
  order: 'value' | 'area';
  run: (id: RecapCommand) => void;
}) {
  const rows: readonly (readonly [string, (s: SequenceAnswer) => string])[] = [
    ['Time in all', (s) => minutes(s.minutes)],
    ['Areas taken up', (s) => `${s.areaVisits} times`],
    ['Trays opened', (s) => `${s.trays} times`],
    ['Soaks of the preheater', (s) => String(s.soaks)],
    ['Waits for a warm neighbour', (s) => (s.wait_min < 0.05 ? 'none' : minutes(s.wait_min))],
    ['Chance of a mix-up', (s) => (s.mixUps === 0 ? 'none to make' : `1 in ${Math.round(1 / s.mixUps)}`)],
    ['Under the tip in all', (s) => minutes(s.heat_s / 60)],
  ];
  return (
    <table className={css['orders']}>
      <thead>
        <tr>
          <th scope="col">Order</th>
          {(['value', 'area'] as const).map((by) => (
            <th key={by} scope="col" data-chosen={order === by || undefined}>
              <CommandButton
                small
                command={recapCommand(by === 'value' ? 'by-value' : 'by-area')}
                pressed={order === by}
                run={run}
              />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, words]) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td className="digits" data-chosen={order === 'value' || undefined}>
              {words(answer.byValue)}
            </td>
            <td className="digits" data-chosen={order === 'area' || undefined}>
              {words(answer.byArea)}
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={3}>
            <CommandButton small command={recapCommand('keep')} run={run} />{' '}
            <CommandButton small look="plain" command={recapCommand('print')} run={run} />
          </td>
        </tr>
      </tfoot>
    </table>
  );
}

/** Every site in the chosen order, with how it is done and what to mind at it. */
function Traveller({
  answer,
  order,
  sites,
}: {
  answer: RecapAnswer;
  order: 'value' | 'area';
  sites: readonly RecapCandidate[];
}) {
  const byRef = useMemo(() => new Map(answer.sites.map((s) => [s.ref, s])), [answer]);
  const known = useMemo(() => new Map(sites.map((s) => [s.ref, s])), [sites]);
  const alone = answer.sites.filter((s) => s.off === null);
  return (
    <>
      {alone.length > 0 && (
        <Caution>
          No tool in the hand does {alone.map((s) => s.ref).join(', ')} within every limit: plan each on its
          own.
        </Caution>
      )}
      <ol className={css['traveller']}>
        {sequenceOf(answer, order).refs.map((ref) => {
          const site = byRef.get(ref)!;
          const own = known.get(ref)!;
          return (
            <li key={ref} data-done={own.done || undefined}>
              <a href={`/sites/${own.id}/plan?goal=replace`}>{ref}</a>
              <strong>{site.value}</strong>
              <span className="digits">
                {minutes(site.off!.minutes + site.on!.minutes)}, {budget(site.off!.damage + site.on!.damage)}
                {own.done && <strong> done</strong>}
              </span>
              <p>
                {site.off!.setting}
                {site.on!.setting !== site.off!.setting && (
                  <span className="quiet">; on with {site.on!.setting}</span>
                )}
                {site.clinched && <em>Cut the bent leads flush first.</em>}
                {site.planePins.map((pin) => (
                  <em key={pin.pad}>
                    Pin {pin.pad} on its plane: {pin.todo}.
                  </em>
                ))}
              </p>
            </li>
          );
        })}
      </ol>
    </>
  );
}

/** What to have ready: the pick list, value by value. */
function Ready({ answer }: { answer: RecapAnswer }) {
  return (
    <section aria-label="Pick list" className={css['ready']}>
      <h2>Pick list</h2>
      <ul>
        {answer.picks.map((line) => (
          <li key={`${line.family} ${line.value}`}>
            <strong className="digits">{line.refs.length} ×</strong> {line.value}{' '}
            <span className="quiet">{familyName(line.family as RecapFamily).toLowerCase()}</span>
            <br />
            <span className="quiet">{line.refs.join(', ')}</span>
          </li>
        ))}
      </ul>
      <p className="quiet">
        Times at nominal values with usual hands; each site has its own plan with its bands. Mix-ups after
        published rates for choosing among look-alikes.
      </p>
    </section>
  );
}

type RecapFamily = Parameters<typeof familyName>[0];

const minutes = (value: number): string =>
  value < 1
    ? `${Math.round(60 * value)} s`
    : value < 90
      ? `${value.toFixed(value < 10 ? 1 : 0)} min`
      : `${Math.floor(value / 60)} h ${Math.round(value % 60)} min`;
