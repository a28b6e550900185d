import { format } from 'date-fns';
import { useEffect, useMemo, useReducer, useState } from 'react';
import { arealHeat_J_m2K, spreading_W_K } from '~/core/thermal/stackup';
import { PAD_STATES } from '~/core/record/padStates';
import type { BoardSheet, SiteSheet } from '~/schema/boardSheet';
import { boardOf } from '~/schema/construction';
import type { FindingRecord } from '~/schema/finding';
import { isSurfaceInput } from '~/schema/package';
import { connectionInWords, constructionInWords, HAZARD_WORDS, packageInWords } from '~/schema/words';
import { Button, ButtonLink, KeyCap } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { Caution, ErrorNote, Figure } from '~/ui/controls/Notes';
import { BoardFace } from '~/ui/face/BoardFace';
import { useCommands } from '~/ui/keyboard/useCommands';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { HeatStrip } from '~/ui/strip/HeatStrip';
import { MarkBar } from '../findings/MarkBar';
import { padState, UNMARKED, worstState } from '../findings/marking';
import { PadLife } from '../findings/PadLife';
import { useMarking } from '../findings/useMarking';
import { BOARD_COMMANDS, type BoardCommand } from './commands';
import { exposuresOf, ledger } from './ledger';
import { reduce } from './state';
import { Habits } from './Habits';
import { matches } from './find';
import { useCopper } from './useCopper';
import css from './board.module.css';

/** The face of one board, its sites and findings, and the ledger of what happened to it. */
export function BoardView({ sheet }: { sheet: BoardSheet }) {
  const { board, sites, jobs } = sheet;
  const [state, dispatch] = useReducer(reduce, {
    side: sites[0]?.side ?? 'top',
    siteId: sites[0]?.id ?? null,
    ...UNMARKED,
    findings: sheet.findings,
    foundAs: jobs.length === 0 ? 'as-received' : 'done-here',
    note: '',
    query: '',
  });
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);

  const site = sites.find((s) => s.id === state.siteId) ?? null;
  const running = jobs.find((job) => job.siteId === site?.id && job.status === 'running');
  const { imports, readings } = sheet;
  const lines = useMemo(
    () => ledger({ jobs, sites, imports, readings }, state.findings),
    [jobs, sites, imports, readings, state.findings],
  );
  const copper = useCopper(
    board.id,
    sheet.artworks,
    state.side === 'top' ? 1 : board.construction.copperLayers.length,
  );

  const shown = sites.filter((s) => matches(s, state.query, state.findings));

  const pick = (id: string): void => {
    const picked = sites.find((s) => s.id === id);
    if (picked) dispatch({ type: 'site', id, side: picked.side });
  };
  const { mark, choose, take } = useMarking({
    site,
    run: state.run,
    pending: state.pending,
    foundAs: state.foundAs,
    jobId: null,
    note: state.note,
    dispatch,
  });

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
      case 'plan':
        if (site && !running) window.location.href = `/sites/${site.id}/plan`;
        return site !== null && !running;
      case 'resume':
        if (running) window.location.href = `/jobs/${running.id}`;
        return running !== undefined;
      case 'check':
        if (site) window.location.href = `/sites/${site.id}/check`;
        return site !== null;
      case 'place-site':
        window.location.href = `/boards/${board.id}/place`;
        return true;
      case 'import':
        window.location.href = `/boards/${board.id}/import`;
        return true;
    }
  });

  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <section className={css['intake']}>
        <p className={css['fault']}>{board.fault}</p>
        <p className="quiet">
          {constructionInWords(board.construction)}. <Weight construction={board.construction} />
        </p>
        {board.triedBefore && <p className="quiet">Tried before: {board.triedBefore}</p>}
        {board.hazards.map((hazard) => (
          <Caution key={hazard}>
            {HAZARD_WORDS[hazard]}: cleared before anything is touched; the plan begins with it.
          </Caution>
        ))}
      </section>

      {sites.length === 0 ? (
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
      ) : (
        <div className={css['columns']}>
          <section aria-label="Face">
            <div className={css['faceBar']}>
              <Segments
                label="Face"
                value={state.side}
                options={[
                  { value: 'top', label: 'Top' },
                  { value: 'bottom', label: 'Bottom' },
                ]}
                onChange={() => dispatch({ type: 'flip' })}
              />
              <div className={css['ways']}>
                <ButtonLink href={`/boards/${board.id}/place`}>
                  Place a site <KeyCap of="n" />
                </ButtonLink>
                <ButtonLink href={`/boards/${board.id}/import`}>
                  Import <KeyCap of="i" />
                </ButtonLink>
              </div>
            </div>
            <BoardFace
              length_mm={board.construction.length_mm}
              width_mm={board.construction.width_mm}
              side={state.side}
              selected={state.siteId}
              onSelect={pick}
              copper={copper}
              sites={sites.map((s) => ({
                ...s,
                worst: worstState(s.pads.map((p) => padState(state.findings, p.id))),
              }))}
            />
            {sites.length > 6 && (
              <TextField
                label="Find a site by reference, value or net; “defects” for those that have any"
                value={state.query}
                onChange={(event) => dispatch({ type: 'query', query: event.target.value })}
              />
            )}
            <Habits sites={sites} side={state.side} />
            <ol className={css['sites']}>
              {shown.map((s) => (
                <li key={s.id}>
                  <button
                    type="button"
                    className={s.id === state.siteId ? css['chosen'] : ''}
                    aria-pressed={s.id === state.siteId}
                    onClick={() => pick(s.id)}
                  >
                    <strong className="digits">{s.ref}</strong> {s.value}
                  </button>
                </li>
              ))}
            </ol>
          </section>

          {site && (
            <section aria-label={`Site ${site.ref}`} className={css['site']}>
              <div className={css['siteHead']}>
                <h2>
                  {site.ref} {site.value && <span className="quiet">{site.value}</span>}
                </h2>
                <div className={css['ways']}>
                  <ButtonLink href={`/sites/${site.id}/check`}>
                    Check continuity <KeyCap of="c" />
                  </ButtonLink>
                  {running ? (
                    <ButtonLink href={`/jobs/${running.id}`} look="primary">
                      Go on with its job <KeyCap of="g" />
                    </ButtonLink>
                  ) : (
                    <ButtonLink href={`/sites/${site.id}/plan`} look="primary">
                      Plan <KeyCap of="p" />
                    </ButtonLink>
                  )}
                </div>
              </div>
              <p className="quiet">{packageInWords(site.package)}</p>
              <div className={css['land']} data-many={site.pads.length > 16 || undefined}>
                <LandDrawing
                  part={site.package}
                  from={isSurfaceInput(site.package) ? 'part side' : 'solder side'}
                  selected={state.pad}
                  run={state.run}
                  choosing={state.pending !== null}
                  onSelect={choose}
                  onRun={take}
                  onState={mark}
                  pads={site.pads.map((p) => ({
                    name: p.name,
                    net: p.net,
                    connections: p.connections,
                    state: padState(state.findings, p.id),
                  }))}
                />
              </div>
              {state.pending && (
                <p className={css['pending']} role="status">
                  {PAD_STATES[state.pending.state].name}: now choose the other pad; <KeyCap of="Enter" />{' '}
                  settles it.{' '}
                  <Button small onClick={() => dispatch({ type: 'forget' })}>
                    Forget it
                  </Button>
                </p>
              )}
              {state.told && (
                <p className={css['told']} role="status">
                  {state.told}
                </p>
              )}
              <ErrorNote error={state.error} />
              <MarkBar state={state} dispatch={dispatch} onState={mark} />
              {state.pad && (
                <PadLife
                  site={site}
                  pad={state.pad}
                  findings={state.findings}
                  jobs={jobs}
                  readings={readings}
                />
              )}
              <PadTable site={site} findings={state.findings} jobs={jobs} run={state.run} onSelect={choose} />
            </section>
          )}
        </div>
      )}

      <section aria-label="Ledger" className={css['ledger']}>
        <h2>Ledger</h2>
        {lines.length === 0 ? (
          <p className="quiet">Nothing has been done or found on this board yet.</p>
        ) : (
          <ol>
            {lines.map((line) => (
              <li key={line.key} data-kind={line.kind}>
                <time className="digits" dateTime={new Date(line.at_ms).toISOString()}>
                  {ready
                    ? format(line.at_ms, 'd MMM yyyy HH:mm')
                    : new Date(line.at_ms).toISOString().slice(0, 16).replace('T', ' ')}
                </time>
                <span className="digits">{line.siteRef}</span>
                <span>
                  {line.jobId && line.kind === 'job' ? (
                    <a href={`/jobs/${line.jobId}`}>{line.text}</a>
                  ) : (
                    line.text
                  )}
                </span>
                <span className="digits">{line.by}</span>
              </li>
            ))}
          </ol>
        )}
      </section>
    </div>
  );
}

/** What the construction means at the iron, in plain words with its numbers. */
function Weight({ construction }: { construction: BoardSheet['board']['construction'] }) {
  const board = boardOf(construction);
  const spreading_mW = spreading_W_K(board) * 1e3;
  const words =
    spreading_mW > 25
      ? 'A heavy board: expect to preheat for plane pins.'
      : spreading_mW > 8
        ? 'A board of middling weight.'
        : 'A light board: little copper to carry heat away.';
  return (
    <>
      {words}{' '}
      <Figure from="Computed from copper coverage and laminate: heat spread along the board per square">
        {spreading_mW.toFixed(0)} mW/K
      </Figure>{' '}
      spread,{' '}
      <Figure from="Computed: heat the board stores per area">
        {(arealHeat_J_m2K(board) / 1e3).toFixed(1)} kJ/m²K
      </Figure>{' '}
      stored.
    </>
  );
}

function PadTable({
  site,
  findings,
  jobs,
  run,
  onSelect,
}: {
  site: SiteSheet;
  findings: readonly FindingRecord[];
  jobs: BoardSheet['jobs'];
  run: readonly string[];
  onSelect: (pad: string) => void;
}) {
  return (
    <>
      <table className={css['pads']}>
        <thead>
          <tr>
            <th scope="col">Pin</th>
            <th scope="col">Net and copper</th>
            <th scope="col">State</th>
            <th scope="col">Heat so far</th>
          </tr>
        </thead>
        <tbody>
          {site.pads.map((pad) => {
            const state = padState(findings, pad.id);
            return (
              <tr key={pad.id} aria-selected={run.includes(pad.name)} onClick={() => onSelect(pad.name)}>
                <td className="digits">{pad.name}</td>
                <td>
                  {pad.net || '–'} <span className="quiet">{connectionInWords(pad.connections)}</span>
                </td>
                <td>
                  <span className="digits">{PAD_STATES[state].letter}</span> {PAD_STATES[state].name}
                </td>
                <td>
                  <HeatStrip label={`Pin ${pad.name}`} exposures={exposuresOf(jobs, site.id, pad.name)} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}
