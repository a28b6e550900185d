import { useStore } from '@nanostores/react';
import { useState } from 'react';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import type { Knob } from '~/schema/exchange/instruments/wire';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { useReady } from '~/ui/useReady';
import { $instruments, $readings, seriesOf, takeStands } from '~/islands/live/liveStore';
import { readingWords, STATE_WORDS } from './instrumentWords';
import css from './instruments.module.css';

/** Jobs under way, whose site can be laid under the simulated tools. */
export interface StandInsSheet {
  readonly jobs: readonly { readonly id: string; readonly words: string }[];
}

type Stands = Parameters<typeof takeStands>[0];

/** The knobs of the simulated instruments, and what they can be made to do wrong: the hands of a bench that is not there. */
export function StandInsView({ sheet }: { sheet: StandInsSheet }) {
  const ready = useReady();
  const all = useStore($instruments);
  const [error, setError] = useState<unknown>(null);
  const simulated = all.filter((device) => device.simulated);
  const tell = (url: string, body: unknown): void =>
    void postJson<Stands>(url, body).then(
      (stands) => {
        takeStands(stands);
        setError(null);
      },
      (refused: unknown) => setError(refused),
    );
  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <p className={css['simulated']}>
        <strong>Simulated.</strong> No device stands here: each runs the heat or circuit model at values of
        its own that the rest of Ithermon is not told. What is turned here is what a hand would turn at the
        bench.
      </p>
      <ErrorNote error={error} />
      {sheet.jobs.length > 0 && (
        <Segments
          label="Under the tools lies"
          value={simulated[0]?.laidFor ?? null}
          onChange={(id) => tell(`/api/jobs/${id}/lay`, {})}
          options={sheet.jobs.map(({ id, words }) => ({ value: id, label: words }))}
        />
      )}
      {sheet.jobs.length === 0 && (
        <p>No job is under way: accept a plan, and its site can be laid under the tools.</p>
      )}
      {ready && simulated.length === 0 && <p>No simulated instrument is connected.</p>}
      <div className={css['devices']}>
        {simulated.map((device) => (
          <Device
            key={device.id}
            device={device}
            onDo={(body) => tell(`/api/instruments/${device.id}/do`, body)}
          />
        ))}
      </div>
    </div>
  );
}

function Device({ device, onDo }: { device: InstrumentLine; onDo: (body: unknown) => void }) {
  const { knobs, faults, turned } = device;
  return (
    <section className={css['device']} aria-label={device.name}>
      <h2>
        {device.name} <small data-state={device.state}>{STATE_WORDS[device.state]}</small>
      </h2>
      <Readings device={device} />
      {knobs.map((knob) => (
        <KnobField
          key={knob.id}
          knob={knob}
          value={turned[knob.id]}
          onTurn={(value) => onDo({ what: 'knob', id: knob.id, value })}
        />
      ))}
      {faults.length > 0 && (
        <div className={css['faults']} role="group" aria-label={`Faults of the ${device.name.toLowerCase()}`}>
          {faults.map(({ id, name }) => (
            <Button
              key={id}
              small
              pressed={turned[id] === true}
              onClick={() => onDo({ what: 'fault', id, on: turned[id] !== true })}
            >
              {name}
            </Button>
          ))}
        </div>
      )}
    </section>
  );
}

/** What a device reads now. */
export function Readings({ device }: { device: InstrumentLine }) {
  useStore($readings);
  return (
    <dl className={css['readings']}>
      {device.channels.map((channel) => (
        <div key={channel.id}>
          <dt>{channel.name}</dt>
          <dd>
            {readingWords(
              seriesOf(device.id, channel.id).last ?? device.latest[channel.id] ?? null,
              channel.unit,
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}

function KnobField({
  knob,
  value,
  onTurn,
}: {
  knob: Knob;
  value: number | string | boolean | undefined;
  onTurn: (value: number | string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  if (knob.words.length > 0)
    return (
      <Segments
        label={knob.name}
        value={typeof value === 'string' ? value : null}
        onChange={onTurn}
        options={knob.words.map((word) => ({ value: word, label: word }))}
      />
    );
  const shown = typed ?? String(value ?? '');
  const turn = (): void => {
    if (typed === null) return;
    onTurn(knob.range ? Number(typed) : typed.trim());
    setTyped(null);
  };
  return (
    <form
      className={css['knob']}
      onSubmit={(event) => {
        event.preventDefault();
        turn();
      }}
    >
      <TextField
        label={`${knob.name}${knob.unit ? `, ${knob.unit}` : ''}${knob.range ? `, ${knob.range[0]} to ${knob.range[1]}` : ''}`}
        inputMode={knob.range ? 'decimal' : 'text'}
        maxLength={24}
        value={shown}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button type="submit" small disabled={typed === null}>
        Set
      </Button>
      {!knob.range && (
        <Button small disabled={value === ''} onClick={() => onTurn('')}>
          Off
        </Button>
      )}
    </form>
  );
}
