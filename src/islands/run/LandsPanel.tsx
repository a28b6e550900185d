import type { Dispatch, RefObject } from 'react';
import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { TOGETHER, type RunState } from '~/core/record/runState';
import { isSurfaceInput } from '~/schema/exchange/si/part';
import type { RunSheet } from '~/schema/sheets/runSheet';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { padState } from '~/islands/findings/marking';
import type { useMarking } from '~/islands/findings/useMarking';
import { MarkingBanner } from '~/islands/findings/MarkingBanner';
import type { RunAction, RunViewState } from './state';
import css from './run.module.css';

interface LandsPanelProps {
  readonly site: RunSheet['site'];
  readonly state: RunViewState;
  readonly at: RunState;
  /** The part is in a tray. */
  readonly isOff: boolean;
  /** The pad whose turn it is. */
  readonly turnPad: string | null;
  /** Pads that the step takes in turn or draws over. */
  readonly row: readonly string[];
  readonly marking: ReturnType<typeof useMarking>;
  readonly lands: RefObject<HTMLDivElement | null>;
  readonly dispatch: Dispatch<RunAction>;
}

/** The lands under heat, each with its state and its melt, and what is found at them. */
export function LandsPanel(props: LandsPanelProps) {
  const { site, state, at, isOff, turnPad, row, marking, lands, dispatch } = props;
  const { mark, choose, take } = marking;
  const chosen = state.pad
    ? padState(state.findings, site.pads.find((p) => p.name === state.pad)?.id ?? '')
    : null;
  return (
    <>
      <div className={css['lands']} ref={lands}>
        <LandDrawing
          part={site.package}
          polarity={site.polarity}
          empty={isOff ? 'the part is off' : undefined}
          from={isSurfaceInput(site.package) ? 'part side' : 'solder side'}
          selected={state.pad ?? at.heating?.pad ?? turnPad}
          run={state.run.length > 0 ? state.run : row}
          choosing={state.pending !== null}
          atHand={at.status === 'running' && turnPad !== null}
          onSelect={choose}
          onRun={take}
          pads={site.pads.map((p) => {
            const dwell = at.dwells.findLast((d) => d.pad === p.name || d.pad === TOGETHER);
            return {
              name: p.name,
              net: p.net,
              connections: p.connections,
              state: padState(state.findings, p.id),
              note: dwell?.melted_s != null ? `${dwell.melted_s.toFixed(1)} s` : undefined,
            };
          })}
        />
      </div>
      <MarkingBanner state={state} dispatch={dispatch} />
      <div className={css['finding']}>
        <p role="status">
          {state.pad && chosen ? (
            <>
              Pin {state.pad}: <strong>{PAD_STATES[chosen].name}</strong>
            </>
          ) : (
            'Choose a pad to record a finding on it.'
          )}
        </p>
        {state.pad && (
          <select
            aria-label={`Finding on pin ${state.pad}`}
            value=""
            onChange={(event) => event.target.value && mark(state.pad!, event.target.value as PadStateId)}
          >
            <option value="">Mark pin {state.pad}</option>
            {Object.entries(PAD_STATES).map(([id, s]) => (
              <option key={id} value={id}>
                {s.letter} · {s.name}
              </option>
            ))}
          </select>
        )}
      </div>
    </>
  );
}
