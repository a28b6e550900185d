import { useStore } from '@nanostores/react';
import { time } from '~/ui/dates';
import { $instruments } from '~/islands/live/liveStore';
import { STATE_WORDS } from './instrumentWords';
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
