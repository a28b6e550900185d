import { useStore } from '@nanostores/react';
import { useEffect } from 'react';
import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { courseAt_K, passesIn_s, type PlacesAhead } from '~/core/method/ahead';
import type { Courses } from '~/core/method/courses';
import { celsius, kelvin } from '~/core/quantity/convert';
import { TOGETHER, type Dwell } from '~/core/record/runState';
import { soundWindow } from '~/ui/sounds';
import { $readings, seriesOf } from '~/islands/live/liveStore';
import { PLACE_WORDS, STATE_WORDS } from '~/islands/instruments/instrumentWords';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import { outlookOf } from '~/ui/live/liveSeries';
import { StripChart, type StripBand } from '~/ui/live/StripChart';
import { seconds } from '~/ui/figures';
import type { Clock } from './useNow';
import css from './live.module.css';

/** So much of the past is seen: a touch takes seconds, air minutes. */
const WINDOW_s = { hand: 12, air: 240 } as const;
const HEIGHT_px = 140;

/** Slower than this it stands. */
const STEADY_K_s = 0.5;

const COLOURS = ['--heat', '--go', '--focus', '--ink'] as const;
const DASHES = [[], [8, 4], [2, 3], [10, 3, 2, 3]] as const;

interface LiveTempsProps {
  readonly devices: readonly InstrumentLine[];
  readonly alloy: AlloyId;
  readonly kind: keyof typeof WINDOW_s;
  /** What is under heat, or was last. */
  readonly dwell: Dwell | null;
  /** What the plan expects them to read; null while nobody knows. */
  readonly courses: Courses | null;
  readonly clock: Clock;
}

/** What thermocouples read while the job is worked on: the last seconds as a strip, and what each tells of the melt. */
export function LiveTemps({ devices, alloy, kind, dwell, courses, clock }: LiveTempsProps) {
  const ahead = dwell && dwell.off_s === null ? aheadFor(courses, dwell) : null;
  const solidus_C = celsius(ALLOYS[alloy].solidus.value);
  const channels = devices.flatMap((device) =>
    device.channels.map((channel) => ({ device, channel, series: seriesOf(device.id, channel.id) })),
  );
  // The first place that the plan knows of: two bands over each other tell nothing.
  const banded = channels.map(({ channel }) => channel.place).find(isForetold);
  return (
    <section className={css['live']} aria-label="Live temperatures">
      <StripChart
        label={`Temperatures over the last ${WINDOW_s[kind]} s`}
        lines={channels.map(({ channel, series }, i) => ({
          label: channel.name,
          series,
          colour: COLOURS[i % COLOURS.length]!,
          dash: DASHES[i % DASHES.length]!,
        }))}
        levels={[{ label: 'Solder melts from here', value: solidus_C }]}
        band={ahead && banded ? bandOf(ahead, banded) : null}
        window_s={WINDOW_s[kind]}
        height={HEIGHT_px}
        now_ms={clock.read_ms}
      />
      <ul>
        {channels.map(({ device, channel }, i) => (
          <li key={`${device.id} ${channel.id}`} data-line={i % COLOURS.length}>
            <Told
              device={device}
              channel={channel.id}
              name={
                channel.place === 'elsewhere'
                  ? channel.name
                  : `${channel.name}, ${PLACE_WORDS[channel.place]}`
              }
              solidus_C={solidus_C}
              dwell={dwell}
              ahead={ahead && isForetold(channel.place) ? { ...ahead, place: channel.place } : null}
              horizon_s={HORIZON_s[kind]}
              clock={clock}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Told({
  device,
  channel,
  name,
  solidus_C,
  dwell,
  ahead,
  horizon_s,
  clock,
}: {
  device: InstrumentLine;
  channel: string;
  name: string;
  solidus_C: number;
  dwell: Dwell | null;
  /** What the plan expects of this channel's place; null where it expects nothing. */
  ahead: (Ahead & { readonly place: Foretold }) | null;
  horizon_s: number;
  clock: Clock;
}) {
  useStore($readings);
  const series = seriesOf(device.id, channel);
  if (device.state !== 'live')
    return (
      <>
        <strong>{name}</strong> <em>{STATE_WORDS[device.state]}</em>
      </>
    );
  if (series.last === null)
    return (
      <>
        <strong>{name}</strong> <em>open: no reading</em>
      </>
    );
  const { ramp_K_s, peak, above_s } = outlookOf(series, dwell?.on_ms ?? Infinity, solidus_C);
  return (
    <>
      <strong>{name}</strong> <span className={css['figure']}>{series.last.toFixed(0)} °C</span>{' '}
      {ramp_K_s !== null && Math.abs(ramp_K_s) >= STEADY_K_s && (
        <span>
          {ramp_K_s >= 0 ? '+' : '−'}
          {Math.abs(ramp_K_s).toFixed(1)} K/s
        </span>
      )}
      {dwell && peak !== null && <span> · peak {peak.toFixed(0)} °C</span>}
      {dwell && above_s > 0 && <span> · {seconds(above_s)} above the melt</span>}
      {ahead?.place === 'body' && ahead.bodyLimit_K !== null && (
        <ToLimit
          ahead={ahead}
          limit_K={ahead.bodyLimit_K}
          read_K={kelvin(series.last)}
          at_s={(clock.read_ms() - ahead.on_ms) / 1000}
          horizon_s={horizon_s}
        />
      )}
    </>
  );
}

/** How far it is to the part's limit; before it is passed, by the plan's own course, it is said. */
function ToLimit({
  ahead,
  limit_K,
  read_K,
  at_s,
  horizon_s,
}: {
  ahead: Ahead;
  limit_K: number;
  read_K: number;
  at_s: number;
  horizon_s: number;
}) {
  const in_s = passesIn_s(ahead.places.body, ahead.step_s, at_s, read_K, limit_K, horizon_s);
  const limit = `${celsius(limit_K).toFixed(0)} °C`;
  const near = in_s !== null;
  useEffect(() => {
    if (near) soundWindow();
  }, [near]);
  if (in_s === null) return <span> · {(limit_K - read_K).toFixed(0)} K to its limit</span>;
  return (
    <em role="alert">
      {' '}
      ·{' '}
      {in_s === 0
        ? `past its limit of ${limit}: off`
        : `its limit of ${limit} in about ${Math.ceil(in_s)} s: off soon`}
    </em>
  );
}

/** Places whose temperature a plan foretells. */
type Foretold = keyof PlacesAhead;
const isForetold = (place: string): place is Foretold => place === 'land' || place === 'body';

/** So far ahead a limit is warned of: a hand is off within a second, a nozzle and a warm board take longer. */
const HORIZON_s = { hand: 2, air: 15 } as const;

interface Ahead {
  readonly places: PlacesAhead;
  readonly step_s: number;
  readonly on_ms: number;
  readonly bodyLimit_K: number | null;
}

function aheadFor(courses: Courses | null, { pad, on_ms }: Dwell): Ahead | null {
  const places = courses?.touches.find(({ touches }) => touches.includes(pad) || touches.includes(TOGETHER));
  return places ? { places, step_s: courses!.step_s, on_ms, bodyLimit_K: courses!.bodyLimit_K } : null;
}

const bandOf = ({ places, step_s, on_ms }: Ahead, place: Foretold): StripBand => {
  const at = (values: readonly number[]) => (at_ms: number) =>
    at_ms < on_ms ? null : celsius(courseAt_K(values, step_s, (at_ms - on_ms) / 1000));
  return {
    label: `Planned, ${PLACE_WORDS[place]}`,
    low: at(places[place].p10_K),
    high: at(places[place].p90_K),
  };
};
