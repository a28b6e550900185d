import { useEffect, useMemo, useReducer, useState } from 'react';
import { ALLOYS } from '~/core/materials/alloys';
import { celsius } from '~/core/quantity/convert';
import type { AirSheet } from '~/schema/sheets/airSheet';
import { isSurfaceInput, partOf } from '~/schema/exchange/si/part';
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
import { Reading } from './Reading';
import { Scrubber } from './Scrubber';
import { widthOf } from './setting';
import { reduce, start } from './state';
import { Moisture } from './Moisture';
import { useField } from './useField';
import css from './air.module.css';

/** Hot air on one site: what the whole board feels, when each pad melts, and what is in the way. */
export function AirView({ sheet }: { sheet: AirSheet }) {
  const [state, dispatch] = useReducer(reduce, sheet, start);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const { stop, stopDrawing } = useField(sheet, state.setting, dispatch);
  const { setting, picture } = state;
  const station = sheet.stations[0];
  const { site, ground } = sheet;

  const set = (part: Partial<typeof setting>): boolean => {
    dispatch({ type: 'set', part });
    return true;
  };
  const run = (id: AirCommand): boolean => {
    if (!station) return false;
    const { airRange_C, flowRange_L_min, nozzles } = station.spec;
    switch (id) {
      case 'hotter':
      case 'cooler':
        return set({ air_C: clamp(setting.air_C + (id === 'hotter' ? 10 : -10), airRange_C) });
      case 'more-flow':
      case 'less-flow':
        return set({
          flow_L_min: clamp(setting.flow_L_min + (id === 'more-flow' ? 5 : -5), flowRange_L_min),
        });
      case 'next-nozzle': {
        const at = nozzles.findIndex((n) => JSON.stringify(n) === JSON.stringify(setting.nozzle));
        return set({ nozzle: nozzles[(at + 1) % nozzles.length]! });
      }
      case 'warm':
        return sheet.preheats.length > 0 && set({ warm: !setting.warm });
      case 'foil':
        return set({ foil: !setting.foil });
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
  const surfaceMount = [ground.site, ...ground.neighbours].some(
    (p) => !p.package || isSurfaceInput(p.package),
  );
  const shown = state.pictured ?? setting;

  if (!station) {
    return <p>No hot-air station on the bench yet, so hot air cannot be planned here.</p>;
  }
  return (
    <div
      className={css['view']}
      data-ready={ready || undefined}
      data-solved={(state.run.status === 'done' && state.pictured === setting) || undefined}
    >
      <AirPanel sheet={sheet} station={station} setting={setting} onChange={set} run={run}>
        {takesMoisture(partOf(site.package)) && (
          <Moisture
            value={state.moisture}
            onChange={(moisture) => dispatch({ type: 'moisture', moisture })}
          />
        )}
      </AirPanel>
      <section className={css['middle']} aria-label="The board">
        <Reading state={state} part={partOf(site.package)} surfaceMount={surfaceMount} run={run} />
        <ErrorNote error={state.run.status === 'failed' ? new Error(state.run.message) : null} />
        <div className={state.run.status === 'done' && state.pictured === setting ? undefined : css['faded']}>
          {picture && frame ? (
            <>
              <FieldPicture
                length_mm={ground.board.length_mm}
                width_mm={ground.board.width_mm}
                nx={picture.nx}
                ny={picture.ny}
                inside={picture.inside}
                field_C={state.side === 'top' ? frame.top_C : frame.bottom_C}
                side={state.side}
                solidus_C={celsius(ALLOYS[site.alloy].solidus.value)}
                parts={[
                  { ...ground.site, atRisk: false },
                  ...ground.neighbours.map((n) => ({
                    ...n,
                    package: n.package ?? { family: 'chip' as const },
                    atRisk: risky.has(n.ref),
                  })),
                ]}
                nozzle={
                  state.side === site.side && frame.time_s >= 0 && frame.time_s <= shown.airOn_s
                    ? {
                        x_mm: site.x_mm,
                        y_mm: site.y_mm,
                        width_mm: widthOf(shown.nozzle),
                        height_mm:
                          'diameter_mm' in shown.nozzle ? shown.nozzle.diameter_mm : shown.nozzle.height_mm,
                        round: 'diameter_mm' in shown.nozzle,
                      }
                    : null
                }
              />
              <Scrubber
                picture={picture}
                frame={state.frame}
                side={state.side}
                solidus_C={celsius(ALLOYS[site.alloy].solidus.value)}
                onFrame={(at) => dispatch({ type: 'frame', frame: at })}
                run={run}
              />
            </>
          ) : (
            <div
              className={css['waiting']}
              style={{ aspectRatio: `${ground.board.length_mm} / ${ground.board.width_mm}` }}
            >
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
function MeltOrder({ state, nets }: { state: ReturnType<typeof start>; nets: ReadonlyMap<string, string> }) {
  const { picture, pad } = state;
  if (!picture) return null;
  const order = [...picture.answer.pads].sort(
    (a, b) => (a.fullMelt_s ?? Infinity) - (b.fullMelt_s ?? Infinity),
  );
  const at = order.find((p) => p.pad === pad);
  const few = order.length <= 8 ? order : [...order.slice(0, 3), ...order.slice(-4)];
  return (
    <div>
      <h3>Melt order</h3>
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

const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value));
