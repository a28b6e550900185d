import { useReady } from '~/ui/useReady';
import { useEffect, useMemo, useReducer, useRef, type KeyboardEvent } from 'react';
import { checklistOf, type Check, type PlacedPad } from '~/core/electrical/checklist';
import { judge } from '~/core/electrical/judgement';
import { METER } from '~/core/electrical/meterLimits';
import { millimetres } from '~/core/quantity/convert';
import { resistanceOf_Ohm } from '~/core/quantity/resistance';
import type { CheckSheet, ContinuityReadingTaken } from '~/schema/sheets/checkSheet';
import { boardOf } from '~/schema/exchange/si/board';
import { partsBetween, placedPadsOf } from '~/schema/exchange/si/placedPads';
import { postJson } from '~/ui/api';
import { Button, ButtonLink, KeyCap } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { Caution, ErrorNote, Figure } from '~/ui/controls/Notes';
import { BoardFace } from '~/ui/face/BoardFace';
import { Probes, type ProbePoint } from '~/ui/face/Probes';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by } from '~/ui/preferences';
import { padState, statesOf, worstOf } from '~/islands/findings/marking';
import { CHECK_COMMANDS, type CheckCommand } from './commands';
import { Mending } from './Mending';
import { mayFollow, nextOpen, readingOf, reduce } from './state';
import { expectation, ohms, VERDICT_SHAPES, uncheckedInWords, VERDICT_WORDS } from '~/ui/continuityWords';
import { fromPage } from '~/ui/fromPage';
import css from './check.module.css';

/** Probes one part pin by pin: what must be connected, what must not, and what failed becomes a finding. */
export function CheckView({ sheet }: { sheet: CheckSheet }) {
  const { board, sites } = sheet;
  const site = sites.find((s) => s.id === sheet.siteId)!;
  const layers = board.construction.copperLayers.length;
  const pads = useMemo(() => placedPadsOf(sites, layers), [sites, layers]);
  const { checks, unchecked } = useMemo(
    () => checklistOf(site.id, pads, boardOf(board.construction)),
    [site.id, pads, board.construction],
  );
  const [state, dispatch] = useReducer(reduce, {
    at: nextOpen(checks, sheet.readings, 0),
    entry: '',
    fault: null,
    readings: sheet.readings,
    findings: sheet.findings,
    sending: null,
    held: [],
    error: null,
  });
  const ready = useReady();
  const entry = useRef<HTMLInputElement>(null);
  const line = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    entry.current?.focus();
    line.current?.scrollIntoView({ block: 'nearest' });
  }, [state.at, ready]);

  const padStates = useMemo(() => statesOf(state.findings), [state.findings]);
  const check = checks[state.at];
  const nameOf = (padId: string): string => {
    const owner = sites.find((s) => s.pads.some((p) => p.id === padId));
    const pin = owner?.pads.find((p) => p.id === padId)?.name ?? '?';
    return owner?.id === site.id ? `pin ${pin}` : `${owner?.ref ?? '?'} pin ${pin}`;
  };
  const go = (to: number): boolean => {
    const inside = Math.min(checks.length - 1, Math.max(0, to));
    // A reading that is not kept yet says itself where the probes go next.
    const free = state.sending === null && state.held.length === 0;
    if (checks.length > 0 && free) dispatch({ type: 'go', to: inside });
    return checks.length > 0;
  };

  const record = (value_Ohm: number): void => {
    if (!check) return;
    postJson<ContinuityReadingTaken>(`/api/sites/${site.id}/readings`, {
      kind: check.kind,
      padId: check.pad.id,
      otherPadId: check.other.id,
      value_Ohm: Number.isFinite(value_Ohm) ? value_Ohm : null,
      by: $by.get(),
    }).then(
      ({ reading, finding }) => {
        const good = reading.verdict === 'good';
        const next = good ? nextOpen(checks, [...state.readings, reading], state.at + 1) : state.at;
        dispatch({ type: 'taken', reading, finding, next });
      },
      (error: unknown) => dispatch({ type: 'failed', error }),
    );
  };
  const take = (): void => {
    const value_Ohm = resistanceOf_Ohm(state.entry);
    if (value_Ohm === null) {
      const fault = `“${state.entry}” is no reading; type ohms such as 0.2, 4k7 or 1.2M, or OL where nothing conducts`;
      dispatch({ type: 'refuse', fault });
      return;
    }
    dispatch({ type: 'send' });
  };
  useEffect(() => {
    if (!mayFollow(state)) return;
    const value_Ohm = resistanceOf_Ohm(state.held[0]!);
    dispatch({ type: 'send-held' });
    if (value_Ohm !== null) record(value_Ohm);
  });

  useCommands<CheckCommand>('check', CHECK_COMMANDS, (id) => {
    switch (id) {
      case 'next':
        return go(state.at + 1);
      case 'previous':
        return go(state.at - 1);
      case 'first-open':
        return go(nextOpen(checks, state.readings, 0));
      case 'enter':
        entry.current?.focus();
        return true;
    }
  });
  /** In the field itself only what cannot be typed moves along the list. */
  const onEntryKey = (event: KeyboardEvent): void => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (event.key === 'Enter' && state.entry.trim() === '' && state.held.length > 0)
      dispatch({ type: 'retry' });
    else if (event.key === 'Enter' && state.entry.trim() === '') go(state.at + 1);
    else if (event.key === 'Enter') take();
    else if (step !== 0) go(state.at + step);
    else if (event.key === 'Escape') entry.current?.blur();
    else return;
    event.preventDefault();
  };

  const taken = checks.map((c) => readingOf(state.readings, c));
  const count = (verdict: string): number => taken.filter((r) => r?.verdict === verdict).length;
  const reading = check ? readingOf(state.readings, check) : null;
  // Told again here, so that a reading says why it is what it is.
  const again =
    check && reading
      ? judge(check, reading.value_Ohm ?? Infinity, partsBetween(sites, check.pad.net, check.other.net))
      : null;
  const why =
    again?.verdict === reading?.verdict ? again?.why : 'judged by other nets or parts than are known now';
  const points =
    check &&
    ([
      probeAt(check.pad, check.pad.name),
      probeAt(check.other, nameOf(check.other.id).replace('pin ', '')),
    ] as const);

  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <p className="quiet">
        Board without power, stored charge gone, probes shorted and the meter zeroed.{' '}
        <span className="digits">{taken.filter(Boolean).length}</span> of{' '}
        <span className="digits">{checks.length}</span> read: {count('good')} good, {count('bad')} fail,{' '}
        {count('doubtful')} doubtful.
      </p>
      {board.hazards.includes('stored-charge') && (
        <Caution>
          Stored charge: a meter on ohms proves nothing about volts. Measure first, bleed, measure again.
        </Caution>
      )}
      {!check || !points ? (
        <section className={css['none']}>
          <h2>Nothing to probe here</h2>
          <p>
            No pad of {site.ref} has a net with another point, and none lies close to a pad of another net.
            Import the netlist, or name the nets when a site is placed.
          </p>
          <ButtonLink href={`/boards/${board.id}`}>
            Back to the board <KeyCap of="Backspace" />
          </ButtonLink>
        </section>
      ) : (
        <div className={css['columns']}>
          <section aria-label="Probes" className={css['now']}>
            <p className={css['probes']}>
              <span>
                <span className={css['dot']} aria-hidden="true" /> {site.ref} pin {check.pad.name}{' '}
                <em>{check.pad.net || 'net not known'}</em>
              </span>
              <span>
                <span className={css['ring']} aria-hidden="true" /> {nameOf(check.other.id)}{' '}
                <em>{check.other.net || 'net not known'}</em>
              </span>
            </p>
            <p className={css['expect']}>
              Must be {check.kind === 'continuity' ? 'connected' : 'apart'}:{' '}
              <Figure from={limitFrom(check)}>{expectation(check)}</Figure>
            </p>
            <BetweenNote
              refs={
                check.kind === 'short'
                  ? partsBetween(sites, check.pad.net, check.other.net).map(({ ref }) => ref)
                  : []
              }
            />
            <div className={css['entry']}>
              <TextField
                ref={entry}
                label="Meter reads"
                inputMode="text"
                autoComplete="off"
                placeholder="0.2, 4k7, OL"
                value={state.entry}
                fault={state.fault ?? undefined}
                onChange={(event) => dispatch({ type: 'type', entry: event.target.value })}
                onKeyDown={onEntryKey}
              />
              <Button look="primary" onClick={take} disabled={state.entry.trim() === ''}>
                Record <KeyCap of="Enter" />
              </Button>
            </div>
            <p className="quiet">Empty + Enter skips a check; the arrows go up and down the list.</p>
            <ErrorNote error={state.error} />
            {state.error !== null && state.held.length > 0 && (
              <p role="status">
                Not kept yet: {state.held.join(', ')}.{' '}
                <Button small onClick={() => dispatch({ type: 'retry' })}>
                  Try again <KeyCap of="Enter" />
                </Button>
              </p>
            )}
            {reading && (
              <p className={css['read']} data-verdict={reading.verdict} role="status">
                <span aria-hidden="true">{VERDICT_SHAPES[reading.verdict]}</span> {ohms(reading.value_Ohm)},{' '}
                {VERDICT_WORDS[reading.verdict]}: {why}.
              </p>
            )}
            {reading?.verdict === 'bad' && (
              <Mending
                pad={check.pad}
                pads={pads}
                board={board}
                state={padState(state.findings, check.pad.id)}
                nameOf={nameOf}
              />
            )}
            <BoardFace
              length_mm={board.construction.length_mm}
              width_mm={board.construction.width_mm}
              side={check.pad.faces.includes(site.side) ? site.side : check.pad.faces[0]!}
              selected={site.id}
              sites={sites.map((s) => ({
                ...s,
                faint: s.id !== site.id && !s.pads.some((p) => p.id === check.other.id),
                worst: worstOf(padStates, s.pads),
              }))}
              about={points}
              over={(at) => <Probes at={at} points={points} />}
            />
          </section>
          <section aria-label="Checklist" className={css['list']}>
            <ol>
              {checks.map((c, i) => (
                <li key={`${c.pad.id} ${c.other.id}`}>
                  <button
                    type="button"
                    ref={i === state.at ? line : undefined}
                    aria-current={i === state.at ? 'step' : undefined}
                    data-verdict={taken[i]?.verdict}
                    onClick={() => go(i)}
                  >
                    <span className="digits">{c.pad.name}</span>
                    <span>
                      {c.kind === 'continuity' ? 'to' : 'apart from'} {nameOf(c.other.id)}{' '}
                      <em>{c.kind === 'continuity' ? c.pad.net : c.other.net || '?'}</em>
                    </span>
                    <span className="digits">
                      {taken[i] ? `${VERDICT_SHAPES[taken[i].verdict]} ${ohms(taken[i].value_Ohm)}` : '–'}
                    </span>
                  </button>
                </li>
              ))}
            </ol>
            {unchecked.length > 0 && (
              <p className="quiet">No continuity check: {uncheckedInWords(unchecked)}.</p>
            )}
          </section>
        </div>
      )}
    </div>
  );
}

export const CheckIsland = fromPage(CheckView);

const probeAt = (pad: PlacedPad, label: string): ProbePoint => ({
  x_mm: millimetres(pad.x_m),
  y_mm: millimetres(pad.y_m),
  label,
});

function limitFrom(check: Check): string {
  return check.kind === 'continuity'
    ? `Computed: about ${ohms(check.copper_Ohm)} of copper over ${millimetres(check.distance_m).toFixed(0)} mm, taken ${METER.copperAllowance.value} times, and ${METER.probeContact.value} Ω for the probes (assumed)`
    : `Assumed: under ${METER.short.value} Ω two nets touch, over ${METER.clear.value} Ω they do not; ${METER.clear.source}`;
}

const BetweenNote = ({ refs }: { refs: readonly string[] }) =>
  refs.length === 0 ? null : (
    <p className="quiet">{refs.join(', ')} lies between these nets and shows in the reading.</p>
  );
