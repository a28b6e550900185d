import { useStore } from '@nanostores/react';
import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { celsius } from '~/core/quantity/convert';
import type { Dwell } from '~/core/record/runState';
import { $readings, seriesOf } from '~/islands/live/liveStore';
import { PLACE_WORDS, STATE_WORDS } from '~/islands/instruments/instrumentWords';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import { outlookOf } from '~/ui/live/liveSeries';
import { StripChart } from '~/ui/live/StripChart';
import { seconds } from '~/ui/figures';
import type { Clock } from './useNow';
import css from './live.module.css';

/** So much of the past is seen: a touch takes seconds, air minutes. */
const WINDOW_s = { hand: 30, air: 240 } as const;
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
  readonly clock: Clock;
}

/** What thermocouples read while the job is worked on: the last seconds as a strip, and what each tells of the melt. */
export function LiveTemps({ devices, alloy, kind, dwell, clock }: LiveTempsProps) {
  const solidus_C = celsius(ALLOYS[alloy].solidus.value);
  const channels = devices.flatMap((device) =>
    device.channels.map((channel) => ({ device, channel, series: seriesOf(device.id, channel.id) })),
  );
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
}: {
  device: InstrumentLine;
  channel: string;
  name: string;
  solidus_C: number;
  dwell: Dwell | null;
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
    </>
  );
}
