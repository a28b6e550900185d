import { useReady } from '~/ui/useReady';
import { useMemo, useReducer } from 'react';
import { ALLOYS } from '~/core/materials/alloys';
import { aimOf, surfaceMounted } from '~/core/method/air/airScenario';
import { phaseRequest } from '~/core/method/plan/phases/phasePlan';
import type { PhaseRequest } from '~/core/method/request';
import { celsius, millimetres } from '~/core/quantity/convert';
import { adjusted } from '~/islands/plan/adjust';
import { preheatFor } from '~/islands/plan/tools';
import type { AirSettingInput } from '~/schema/exchange/plan/planRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import type { AirSheet } from '~/schema/sheets/airSheet';
import { partOf } from '~/schema/exchange/si/part';
import { takesMoisture } from '~/schema/exchange/si/moisture';
import { ErrorNote } from '~/ui/controls/Notes';
import { FieldPicture } from '~/ui/field/FieldPicture';
import { seconds } from '~/ui/figures';
import { useCommands } from '~/ui/keyboard/useCommands';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { padMarks } from '~/ui/land/marks';
import { meltRanks } from '~/ui/land/meltOrder';
import { AirPanel } from './AirPanel';
import { AIR_COMMANDS, type AirCommand } from './commands';
import { Figures, Reading } from './Reading';
import { Scrubber } from './Scrubber';
import { reduce, start, type AirState } from './state';
import { Moisture } from './Moisture';
import { useField } from './useField';
import { styled } from '~/ui/styled';
import { fromPage } from '~/ui/fromPage';
import css from './air.module.css';

/** Hot air on one site: what the whole board feels, when each pad melts, and what is in the way. */
function AirView({ sheet }: { sheet: AirSheet }) {
  const request = useMemo(() => phaseRequest(planRequestOf(sheet.input), 'remove', []), [sheet]);
  const first = useMemo(() => start(sheet, request), [sheet, request]);
  const station = sheet.stations.find((s) => s.id === first?.set.setting.toolId);
  if (!first || !station) {
    return <p data-ready>No hot-air station on the bench yet, so hot air cannot be planned here.</p>;
  }
  return <AirField sheet={sheet} request={request} station={station} first={first} />;
}

export const AirIsland = fromPage(AirView);

function AirField({
  sheet,
  request,
  station,
  first,
}: {
  sheet: AirSheet;
  request: PhaseRequest;
  station: AirSheet['stations'][number];
  first: AirState;
}) {
  const [state, dispatch] = useReducer(reduce, first);
  const ready = useReady();
  const { stop, stopDrawing } = useField(sheet, state.set, state.moisture, dispatch);
  const { set, picture } = state;
  const { site, input, board } = sheet;
  const preheater = preheaterOf(request);
  const aim = aimOf(request);

  const change = (setting: AirSettingInput): boolean => {
    dispatch({ type: 'set', setting });
    return true;
  };
  const run = (id: AirCommand): boolean => {
    switch (id) {
      case 'hotter':
      case 'cooler':
      case 'more-flow':
      case 'less-flow':
      case 'next-nozzle':
      case 'warm':
      case 'foil': {
        // The same step of the same key as on the plan.
        const next = adjusted(
          { phase: 'remove', method: 'hot-air', setting: set.setting },
          id === 'next-nozzle' ? 'next-tip' : id,
          { tools: [], stations: sheet.stations, preheat: preheater?.usual ?? null },
        );
        return next?.setting.kind === 'air' && change(next.setting);
      }
      case 'earlier':
      case 'later':
        dispatch({ type: 'frame', frame: state.frame + (id === 'later' ? 1 : -1) });
        return true;
      case 'flip':
        dispatch({ type: 'flip' });
        return true;
      case 'iron':
        window.location.href = `/sites/${site.id}/plan`;
        return true;
      case 'cancel':
        if (state.run.status === 'running') stop();
        else if (state.drawing) stopDrawing();
        else return false;
        return true;
    }
  };
  useCommands('air', AIR_COMMANDS, run);

  const frame = picture?.frames[state.frame];
  const risky = useMemo(
    () => new Set(picture?.answer.neighbours.filter((n) => !n.ok).map((n) => n.ref) ?? []),
    [picture],
  );
  const melts = useMemo(
    () => new Map(picture?.answer.pads.map((p) => [p.pad, p.fullMelt_s]) ?? []),
    [picture],
  );
  const shown = state.pictured ?? set;
  const { nozzle } = shown.setting;
  const { length_mm, width_mm } = board.construction;

  return (
    <div
      className={css['view']}
      data-ready={ready || undefined}
      data-solved={(state.run.status === 'done' && state.pictured === set) || undefined}
    >
      <AirPanel
        station={station}
        set={set}
        preheater={preheater}
        onChange={(part) => change({ ...set.setting, ...part })}
        onTime={(airOn_s) => dispatch({ type: 'on', airOn_s })}
        run={run}
      >
        {takesMoisture(partOf(site.package)) && (
          <Moisture
            value={state.moisture}
            onChange={(moisture) => dispatch({ type: 'moisture', moisture })}
          />
        )}
      </AirPanel>
      <section className={css['middle']} aria-label="The board">
        <Reading state={state} run={run} />
        <ErrorNote error={state.run.status === 'failed' ? new Error(state.run.message) : null} />
        <div
          className={
            picture && !(state.run.status === 'done' && state.pictured === set) ? css['faded'] : undefined
          }
        >
          {picture && frame ? (
            <>
              <FieldPicture
                length_mm={length_mm}
                width_mm={width_mm}
                nx={picture.nx}
                ny={picture.ny}
                inside={picture.inside}
                field_C={state.side === 'top' ? frame.top_C : frame.bottom_C}
                side={state.side}
                solidus_C={celsius(ALLOYS[site.alloy].solidus.value)}
                parts={[
                  { ...input.site, atRisk: false },
                  ...input.neighbours.map((n) => ({
                    ...n,
                    package: n.package ?? { family: 'chip' as const },
                    atRisk: risky.has(n.ref),
                  })),
                ]}
                nozzle={
                  state.side === site.side && frame.time_s >= 0 && frame.time_s <= shown.airOn_s
                    ? {
                        x_mm: millimetres(aim.x_m),
                        y_mm: millimetres(aim.y_m),
                        width_mm: 'diameter_mm' in nozzle ? nozzle.diameter_mm : nozzle.width_mm,
                        height_mm: 'diameter_mm' in nozzle ? nozzle.diameter_mm : nozzle.height_mm,
                        round: 'diameter_mm' in nozzle,
                      }
                    : null
                }
              />
              <Scrubber
                picture={picture}
                frame={state.frame}
                side={state.side}
                onFrame={(at) => dispatch({ type: 'frame', frame: at })}
                run={run}
              />
              <Figures state={state} part={partOf(site.package)} surfaceMount={surfaceMounted(request)} />
            </>
          ) : (
            <div className={css['waiting']} ref={styled({ aspectRatio: `${length_mm} / ${width_mm}` })}>
              <p className="quiet">
                {state.run.status === 'stopped' ? 'Stopped before the first answer.' : 'Solving the board…'}
              </p>
            </div>
          )}
        </div>
      </section>
      <section className={css['right']} aria-label="Lands">
        <div className={css['land']}>
          <LandDrawing
            part={site.package}
            from="part side"
            selected={state.pad}
            onSelect={(pad) => dispatch({ type: 'pad', pad })}
            pads={padMarks(
              site.pads,
              sheet.padStates,
              (pad) => (melts.has(pad) ? seconds(melts.get(pad) ?? null, 0) : undefined),
              meltRanks([...melts].map(([pad, melt_s]) => ({ pads: [pad], melt_s }))),
            )}
          />
        </div>
        <MeltOrder state={state} nets={new Map(site.pads.map((p) => [p.name, p.net]))} />
      </section>
    </div>
  );
}

/** First and last pads to melt: the last one decides the lift. */
function MeltOrder({ state, nets }: { state: AirState; nets: ReadonlyMap<string, string> }) {
  const { picture, pad } = state;
  if (!picture) return null;
  const order = [...picture.answer.pads].sort(
    (a, b) => (a.fullMelt_s ?? Infinity) - (b.fullMelt_s ?? Infinity),
  );
  const at = order.find((p) => p.pad === pad);
  const few = order.length <= 8 ? order : [...order.slice(0, 3), ...order.slice(-4)];
  return (
    <div>
      <h2>Melt order</h2>
      <ol className={css['order']}>
        {few.map((p) => (
          <li key={p.pad} className={p.pad === pad ? css['chosen'] : undefined}>
            <span>
              {p.pad} <span className="quiet">{nets.get(p.pad)}</span>
            </span>
            <span className="digits">
              {p.fullMelt_s === null ? `solid, ${Math.round(p.peak_C)} °C` : seconds(p.fullMelt_s)}
            </span>
          </li>
        ))}
      </ol>
      {at && !few.includes(at) && (
        <p className="quiet">
          Pad {at.pad}: {at.fullMelt_s === null ? 'stays solid' : `melts at ${seconds(at.fullMelt_s)}`}, peak{' '}
          {Math.round(at.peak_C)} °C
        </p>
      )}
    </div>
  );
}

/** The bench's first preheater, at the setting that a plan begins with. */
function preheaterOf(request: PhaseRequest) {
  const heater = request.preheaters[0];
  const usual = preheatFor(request);
  if (!heater || !usual) return null;
  const [low, high] = heater.setpointRange_K;
  return {
    name: heater.name,
    usual,
    range_C: [Math.round(celsius(low)), Math.round(celsius(high))] as const,
  };
}
