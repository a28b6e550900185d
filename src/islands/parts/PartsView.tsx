import { useEffect, useReducer, useRef } from 'react';
import { flushSync } from 'react-dom';
import { useStore } from '@nanostores/react';
import type { StockPart } from '~/schema/records/parts/stockPart';
import { partInWords } from '~/schema/words/partWords';
import { getJson } from '~/ui/api';
import { CommandButton } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by } from '~/ui/preferences';
import { useReady } from '~/ui/useReady';
import { BleedPanel } from './BleedPanel';
import { PARTS_COMMANDS, partsCommand, type PartsCommand } from './commands';
import { KitsPanel, type KitLine } from './KitsPanel';
import { LineDetail } from './LineDetail';
import { NewLine } from './NewLine';
import type { OrdersSheet } from '~/schema/sheets/ordersSheet';
import { OrdersPanel } from './OrdersPanel';
import { reduce, start, type PartsPlace } from './state';
import { SwapPanel, type Wanted } from './SwapPanel';
import { fromPage } from '~/ui/fromPage';
import css from './parts.module.css';

const PLACES: Readonly<Record<PartsPlace, string>> = {
  drawers: 'Drawers',
  swap: 'Swap check',
  kits: 'Kits',
  orders: 'Orders',
  bleed: 'Discharge',
};

const isPlace = (at: string | null): at is PartsPlace => at !== null && at in PLACES;

/** A hand that types goes on typing: found are the words that stand for so long. */
const PAUSE_ms = 150;

/** What is in the drawers, what may stand for what, and what has to be done before power. */
function PartsView({
  first,
  typed,
  at,
  wanted,
  orders,
  kits,
}: {
  readonly first: { readonly lines: readonly StockPart[]; readonly of: number };
  readonly typed: string;
  /** The place that was asked for by name; null, or none there is: the drawers, or the swap check of a site. */
  readonly at: string | null;
  /** The site that a part is looked for; null where none is. */
  readonly wanted: Wanted | null;
  readonly orders: OrdersSheet;
  readonly kits: readonly KitLine[];
}) {
  const [state, dispatch] = useReducer(
    reduce,
    start(typed, first, isPlace(at) ? at : wanted ? 'swap' : 'drawers'),
  );
  const ready = useReady();
  const by = useStore($by);
  const find = useRef<HTMLInputElement>(null);
  const asked = useRef(typed);

  useEffect(() => {
    if (asked.current === state.typed) return;
    const timer = setTimeout(() => {
      asked.current = state.typed;
      getJson<{ lines: StockPart[]; of: number }>(
        `/api/parts/find?q=${encodeURIComponent(state.typed)}`,
      ).then(
        (found) => dispatch({ type: 'found', typed: state.typed, ...found }),
        (error: unknown) => dispatch({ type: 'failed', error }),
      );
    }, PAUSE_ms);
    return () => clearTimeout(timer);
  }, [state.typed]);
  useEffect(() => {
    if (state.open) document.getElementById(`line-${state.open}`)?.scrollIntoView({ block: 'nearest' });
  }, [state.open]);

  const place = (to: PartsPlace): boolean => {
    dispatch({ type: 'place', place: to });
    return true;
  };
  const run = (id: PartsCommand): boolean => {
    switch (id) {
      case 'drawers':
      case 'swap':
      case 'kits':
      case 'orders':
      case 'bleed':
        return place(id);
      case 'find':
        // Drawn and focused before the next key: a hand that types on loses none.
        flushSync(() => place('drawers'));
        find.current?.focus();
        return true;
      case 'next':
      case 'previous':
        if (state.place !== 'drawers' || state.lines.length === 0) return false;
        dispatch({ type: 'step', by: id === 'next' ? 1 : -1 });
        return true;
      case 'add-part':
        place('drawers');
        dispatch({ type: 'open', what: 'new' });
        return true;
      case 'shut':
        if (state.open === null) return false;
        dispatch({ type: 'open', what: null });
        return true;
    }
  };
  useCommands('parts', PARTS_COMMANDS, run);
  const written = (line: StockPart, told: string): void => dispatch({ type: 'written', line, told });

  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <Segments
        label="Look at"
        value={state.place}
        onChange={place}
        options={(Object.keys(PLACES) as PartsPlace[]).map((value) => ({ value, label: PLACES[value] }))}
      />
      {state.told && (
        <p role="status" className={css['told']}>
          {state.told}
        </p>
      )}
      <ErrorNote error={state.error} />
      {state.place === 'swap' && <SwapPanel wanted={wanted} />}
      {state.place === 'kits' && <KitsPanel kits={kits} />}
      {state.place === 'orders' && <OrdersPanel sheet={orders} />}
      {state.place === 'bleed' && <BleedPanel />}
      {state.place === 'drawers' && (
        <section aria-label="Drawers">
          <div className={css['head']}>
            <TextField
              ref={find}
              label="Find a part: value, rating, kind, drawer, batch"
              value={state.typed}
              autoComplete="off"
              maxLength={200}
              onChange={(event) => dispatch({ type: 'typed', typed: event.target.value })}
              onKeyDown={(event) => {
                if (event.key === 'Escape' || event.key === 'Enter') event.currentTarget.blur();
              }}
            />
            <CommandButton command={partsCommand('add-part')} run={run} />
          </div>
          {state.open === 'new' && (
            <NewLine by={by} onDone={written} onShut={() => dispatch({ type: 'open', what: null })} />
          )}
          {state.lines.length === 0 && (
            <p>
              {state.typed.trim() === ''
                ? 'The drawers are empty: put a part in, and plans, swaps and kits can count on it.'
                : `No part has all of “${state.typed.trim()}”.`}
            </p>
          )}
          {state.of > state.lines.length && (
            <p className="quiet">
              {state.lines.length} of {state.of}; more words find fewer.
            </p>
          )}
          <ul className={css['lines']}>
            {state.lines.map((line) => (
              <li key={line.id} id={`line-${line.id}`}>
                <button
                  type="button"
                  className={css['line']}
                  aria-expanded={state.open === line.id}
                  onClick={() => dispatch({ type: 'open', what: state.open === line.id ? null : line.id })}
                >
                  <strong>{partInWords(line.part)}</strong>
                  <span>{line.drawer || 'no drawer'}</span>
                  <span className="quiet">{line.batch && `batch ${line.batch}`}</span>
                  <span className="digits" data-low={(line.low > 0 && line.count < line.low) || undefined}>
                    {line.count}
                    {line.low > 0 && line.count < line.low && ' · order'}
                  </span>
                  <span data-state={line.state}>{line.state === 'released' ? '' : line.state}</span>
                </button>
                {state.open === line.id && (
                  <LineDetail key={line.revision} line={line} by={by} onDone={written} />
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

export const PartsIsland = fromPage(PartsView);
