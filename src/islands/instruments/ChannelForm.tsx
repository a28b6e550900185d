import { useState } from 'react';
import { CHANNEL_PLACES, type ChannelPlace } from '~/core/record/channelPlace';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import { takeStands } from '~/islands/live/liveStore';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { PLACE_WORDS } from './instrumentWords';
import css from './instruments.module.css';

/** Says of one channel what it is called, where it sits, and by how much it reads off a reference, from today on. */
export function ChannelForm({
  device,
  channel,
  onDone,
}: {
  device: InstrumentLine;
  channel: InstrumentLine['channels'][number];
  onDone: () => void;
}) {
  const [name, setName] = useState(channel.name);
  const [place, setPlace] = useState<ChannelPlace>(channel.place);
  const [offset, setOffset] = useState(String(channel.offset_K));
  const [error, setError] = useState<unknown>(null);
  const offset_K = Number(offset.trim().replace(',', '.').replace('−', '-'));
  const write = (): void => {
    const by = $by.get();
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    const checkedAt_ms = offset_K === channel.offset_K ? channel.checkedAt_ms : Date.now();
    postJson<Parameters<typeof takeStands>[0]>(`/api/instruments/${device.id}/channels`, {
      channel: channel.id,
      name: name.trim(),
      place,
      offset_K,
      checkedAt_ms,
      by,
      revision: channel.revision,
    }).then(
      (stands) => {
        takeStands(stands);
        onDone();
      },
      (refused: unknown) => setError(refused),
    );
  };
  return (
    <form
      className={css['channel']}
      onSubmit={(event) => {
        event.preventDefault();
        write();
      }}
    >
      <ErrorNote error={error} />
      <TextField
        label="Called"
        autoFocus
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Segments
        label="It sits on"
        value={place}
        onChange={setPlace}
        options={CHANNEL_PLACES.map((value) => ({ value, label: PLACE_WORDS[value] }))}
      />
      {channel.unit === 'degC' && (
        <TextField
          label="Added to what it reads, K, against a reference; dated today where it is changed"
          inputMode="decimal"
          maxLength={6}
          value={offset}
          onChange={(event) => setOffset(event.target.value)}
        />
      )}
      <span className={css['faults']}>
        <Button type="submit" small look="primary" disabled={!name.trim() || !Number.isFinite(offset_K)}>
          Keep it
        </Button>
        <Button small onClick={onDone}>
          Leave it
        </Button>
      </span>
    </form>
  );
}
