import { useReady } from '~/ui/useReady';
import { useReducer } from 'react';
import { useStore } from '@nanostores/react';
import type { RigSheet } from '~/schema/sheets/rigSheet';
import { RigInstruments } from '~/islands/instruments/RigInstruments';
import { KIND_NAMES } from '~/schema/exchange/si/tools';
import type { ToolSpec } from '~/schema/values/toolSpec';
import { endsInWords, specInWords, stateInWords } from '~/schema/words/toolWords';
import type { StockedSupply } from '~/schema/records/rig/supply';
import { SUPPLY_UNITS } from '~/schema/values/supplySpec';
import { Button, CommandButton } from '~/ui/controls/Button';
import { Caution, ErrorNote } from '~/ui/controls/Notes';
import { amountWords } from '~/ui/figures';
import { useDrawn } from '~/ui/list/useDrawn';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by } from '~/ui/preferences';
import { RIG_COMMANDS, rigCommand, type RigCommand } from './commands';
import { reduce, runningLow, start } from './state';
import { MoveForm, NewSupplyForm } from './SupplyForm';
import { Backups } from './Backups';
import { TipLessons } from './TipLessons';
import { ToolForm } from './ToolForm';
import { fromPage } from '~/ui/fromPage';
import css from './rig.module.css';

const KIND_ORDER: readonly ToolSpec['kind'][] = ['iron', 'gun', 'tweezers', 'hot-air', 'preheater'];

/** So many supplies are drawn with the page, further ones as the list is read. */
const STOCK = { first: 40, further: 100 };

/** What the bench has: tools with their ranges, wear and calibration; stock with what is left of it. */
function RigView({ sheet }: { sheet: RigSheet }) {
  const [state, dispatch] = useReducer(reduce, sheet, start);
  const ready = useReady();
  const by = useStore($by);
  const open = (what: string | null): void => dispatch({ type: 'open', what });
  const run = (id: RigCommand): boolean => {
    switch (id) {
      case 'add-tool':
        open('new tool');
        return true;
      case 'add-supply':
        open('new supply');
        return true;
      case 'shut':
        if (state.open === null) return false;
        open(null);
        return true;
    }
  };
  useCommands('rig', RIG_COMMANDS, run);
  const stock = useDrawn(state.supplies.length, STOCK);
  const low = runningLow(state.supplies);
  const inUse = state.tools.filter((t) => !t.retired);
  const retired = state.tools.filter((t) => t.retired);

  return (
    <div className={css['view']} data-ready={ready || undefined}>
      {state.told && (
        <p role="status" className={css['told']}>
          {state.told}
        </p>
      )}
      <ErrorNote error={state.error} />
      {low.length > 0 && (
        <Caution>
          <strong>Running out:</strong> {low.map((s) => `${s.name}, ${left(s)} left`).join('; ')}.
        </Caution>
      )}
      <section aria-label="Tools">
        <div className={css['head']}>
          <h2>Tools</h2>
          <CommandButton small command={rigCommand('add-tool')} run={run} />
        </div>
        {state.open === 'new tool' && (
          <ToolForm
            tool={null}
            now_ms={Date.now}
            onDone={(tool, told) => dispatch({ type: 'tool', tool, told })}
            onShut={() => open(null)}
          />
        )}
        {inUse.length === 0 && <p>No tool yet: add one, and plans can be made with it.</p>}
        {KIND_ORDER.filter((kind) => inUse.some((t) => t.spec.kind === kind)).map((kind) => (
          <div key={kind} className={css['kind']}>
            {inUse.some((t) => t.spec.kind === kind && t.name !== KIND_NAMES[kind]) && (
              <h3>{KIND_NAMES[kind]}</h3>
            )}
            <ul>
              {inUse
                .filter((t) => t.spec.kind === kind)
                .map((tool) => (
                  <li key={tool.id}>
                    <button
                      type="button"
                      className={css['line']}
                      aria-expanded={state.open === tool.id}
                      onClick={() => open(state.open === tool.id ? null : tool.id)}
                    >
                      <strong>{tool.name}</strong>
                      <span className="digits">{specInWords(tool.spec)}</span>
                      <span>{endsInWords(tool.spec)}</span>
                      <span className={css['state']}>
                        {[
                          ...(stateInWords(tool).length > 0 ? stateInWords(tool) : ['as new']),
                          ...(tool.checkedAt_ms === null
                            ? []
                            : [`checked ${daysAgo(tool.checkedAt_ms, sheet.now_ms)}`]),
                        ].join('; ')}
                      </span>
                    </button>
                    {state.open === tool.id && (
                      <ToolForm
                        key={tool.revision}
                        tool={tool}
                        now_ms={Date.now}
                        onDone={(written, told) => dispatch({ type: 'tool', tool: written, told })}
                        onShut={() => open(null)}
                      />
                    )}
                  </li>
                ))}
            </ul>
          </div>
        ))}
        {retired.length > 0 && <p className="quiet">Out of use: {retired.map((t) => t.name).join(', ')}.</p>}
      </section>
      <TipLessons lessons={sheet.lessons} tools={state.tools} />
      <section aria-label="Instruments">
        <div className={css['head']}>
          <h2>Instruments</h2>
        </div>
        <RigInstruments />
      </section>
      <section aria-label="Stock">
        <div className={css['head']}>
          <h2>Stock</h2>
          <CommandButton small command={rigCommand('add-supply')} run={run} />
        </div>
        {state.open === 'new supply' && (
          <NewSupplyForm
            by={by}
            onDone={(supply) => dispatch({ type: 'supply', supply, told: `${supply.name} is in stock.` })}
            onShut={() => open(null)}
          />
        )}
        {state.supplies.length === 0 && (
          <p>No stock yet: plans will say what they need, not whether it is there.</p>
        )}
        <ul className={css['stock']}>
          {state.supplies.slice(0, stock.drawn).map((supply) => (
            <li key={supply.id}>
              <button
                type="button"
                className={css['supply']}
                aria-expanded={state.open === supply.id}
                onClick={() => open(state.open === supply.id ? null : supply.id)}
              >
                <strong>{supply.name}</strong>
                <span className="digits" data-low={(supply.low > 0 && supply.left < supply.low) || undefined}>
                  {left(supply)}
                  {supply.low > 0 && supply.left < supply.low && ' · buy'}
                </span>
                <Gauge supply={supply} />
              </button>
              {state.open === supply.id && (
                <MoveForm
                  supply={supply}
                  by={by}
                  onDone={(written) =>
                    dispatch({
                      type: 'supply',
                      supply: written,
                      told: `${written.name}: ${left(written)} left.`,
                    })
                  }
                  onGone={() => dispatch({ type: 'supply gone', id: supply.id })}
                  onShut={() => open(null)}
                />
              )}
            </li>
          ))}
        </ul>
        {state.supplies.length > stock.drawn && (
          <p ref={stock.end}>
            <Button onClick={stock.all}>Show all {state.supplies.length} supplies</Button>
          </p>
        )}
        <h3>Stock changes</h3>
        {state.moves.length === 0 && <p className="quiet">Nothing has moved yet.</p>}
        <ol className={css['moves']}>
          {state.moves.map((move) => {
            const supply = state.supplies.find((s) => s.id === move.supplyId);
            if (!supply) return null;
            return (
              <li key={move.id}>
                <span className="quiet">{daysAgo(move.at_ms, sheet.now_ms)}</span>
                <span>{supply.name}</span>
                <span className="digits">
                  {move.change < 0 ? '−' : '+'}
                  {amountWords({ amount: Math.abs(move.change), unit: SUPPLY_UNITS[supply.spec.kind] })}
                </span>
                <span>
                  {move.reason} by {move.by}
                  {move.batch !== null && `, batch ${move.batch}`}
                </span>
              </li>
            );
          })}
        </ol>
      </section>
      <Backups backups={sheet.backups} now_ms={sheet.now_ms} />
    </div>
  );
}

export const RigIsland = fromPage(RigView);

const left = (s: StockedSupply): string => amountWords({ amount: s.left, unit: SUPPLY_UNITS[s.spec.kind] });

/** How much is left against the mark at which it is bought: the mark stands at a third. */
function Gauge({ supply }: { supply: StockedSupply }) {
  const full = Math.max(supply.left, 3 * supply.low, 1e-9);
  return (
    <svg viewBox="0 0 100 6" preserveAspectRatio="none" className={css['gauge']} aria-hidden="true">
      <rect width="100" height="6" className={css['empty']} />
      <rect width={(100 * supply.left) / full} height="6" className={css['full']} />
      {supply.low > 0 && (
        <rect x={(100 * supply.low) / full} width="0.8" height="6" className={css['mark']} />
      )}
    </svg>
  );
}

function daysAgo(at_ms: number, now_ms: number): string {
  const days = Math.floor((now_ms - at_ms) / 86_400_000);
  return days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
}
