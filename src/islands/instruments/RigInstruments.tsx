import { useStore } from '@nanostores/react';
import { useState } from 'react';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import { day, time } from '~/ui/dates';
import { $instruments } from '~/islands/live/liveStore';
import { ChannelForm } from './ChannelForm';
import { PLACE_WORDS, STATE_WORDS } from './instrumentWords';
import { Readings } from './StandInsView';
import css from './instruments.module.css';

/** Instruments that have connected since the server was started: how each stands, and what it reads. */
export function RigInstruments() {
  const all = useStore($instruments);
  if (all.length === 0)
    return <p className="quiet">None is connected. How one connects is told in docs/instruments.md.</p>;
  return (
    <>
      <ul>
        {all.map((device) => (
          <li key={device.id} className={css['line']}>
            <span>
              <strong>{device.name}</strong> {device.simulated && <small>simulated</small>}
            </span>
            <span data-state={device.state}>
              {STATE_WORDS[device.state]}
              {device.state !== 'live' && `, last heard ${time(device.lastSeen_ms)}`}
            </span>
            <Readings device={device} />
            <Channels device={device} />
          </li>
        ))}
      </ul>
      {all.some((device) => device.simulated) && (
        <p>
          <a href="/stand-ins">Knobs and faults of the simulated ones</a>
        </p>
      )}
    </>
  );
}

/** What is said of each channel, and the way to say something else. */
function Channels({ device }: { device: InstrumentLine }) {
  const [open, setOpen] = useState<string | null>(null);
  // Only a thermocouple can be put somewhere else.
  const temperatures = device.kind === 'thermocouple-logger' ? device.channels : [];
  if (temperatures.length === 0) return null;
  return (
    <div className={css['channels']}>
      {temperatures.map((channel) =>
        open === channel.id ? (
          <ChannelForm key={channel.id} device={device} channel={channel} onDone={() => setOpen(null)} />
        ) : (
          <button key={channel.id} type="button" className={css['said']} onClick={() => setOpen(channel.id)}>
            {channel.name}:{' '}
            {channel.place === 'elsewhere' ? 'place not said' : `sits on ${PLACE_WORDS[channel.place]}`}
            {channel.offset_K !== 0 &&
              `, ${channel.offset_K > 0 ? '+' : '−'}${Math.abs(channel.offset_K)} K added`}
            {channel.checkedAt_ms !== null && `, checked ${day(channel.checkedAt_ms)}`}
          </button>
        ),
      )}
    </div>
  );
}
