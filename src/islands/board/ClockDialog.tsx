import { useEffect, useState } from 'react';
import { CLOCK_KINDS, CLOCKS, type ClockKind } from '~/core/record/boardClock';
import type { BoardEntryBody } from '~/core/record/boardEntries';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import { Button } from '~/ui/controls/Button';
import { Dialog } from '~/ui/controls/Dialog';
import { Segments, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { clockLength, type LengthTold } from './clockLength';
import css from './openWork.module.css';

/** Begun by hand: soaks and pre-warms are a job’s own. */
const BY_HAND = CLOCK_KINDS.filter((kind) => kind !== 'soak');

/** Starts a clock on a board: what for, how long and why so long; the length comes from what is drying or curing where. */
export function ClockDialog({
  isOpen,
  site,
  error,
  onClose,
  onEnter,
}: {
  isOpen: boolean;
  /** The part that is looked at: what dries may lie under it. */
  site: SiteSheet | null;
  error: unknown;
  onClose: () => void;
  onEnter: (body: BoardEntryBody) => void;
}) {
  const [kind, setKind] = useState<ClockKind | null>(null);
  const [at, setAt] = useState<'room' | 'warm' | null>('room');
  const [of, setOf] = useState<'site' | 'board'>('board');
  const [minutes, setMinutes] = useState('');
  const [what, setWhat] = useState('');
  const siteId = site?.id ?? null;
  useEffect(() => {
    setKind(null);
    setAt('room');
    setMinutes('');
    setWhat('');
    setOf(siteId === null ? 'board' : 'site');
  }, [isOpen, siteId]);
  const told: LengthTold | null = kind && clockLength(kind, of === 'site' ? site : null, at === 'warm');
  const given_min = minutes.trim() === '' ? (told?.length_s ?? 0) / 60 : Number(minutes);
  const able = kind !== null && given_min > 0;
  const warms = kind === 'solvent' || kind === 'cure';
  return (
    <Dialog title="Start a clock" isOpen={isOpen} onClose={onClose}>
      <form
        className={css['form']}
        onSubmit={(event) => {
          event.preventDefault();
          if (!able) return;
          onEnter({
            kind: 'clock-started',
            clock: kind,
            what: what.trim(),
            siteId: of === 'site' && site ? site.id : null,
            jobId: null,
            stepId: null,
            length_s: Math.round(given_min * 60),
          });
        }}
      >
        <ErrorNote error={error} />
        <Segments
          label="For"
          value={kind}
          onChange={setKind}
          options={BY_HAND.map((value) => ({ value, label: CLOCKS[value].name }))}
        />
        {site && (
          <Segments
            label="Of"
            value={of}
            onChange={setOf}
            options={[
              { value: 'site', label: site.ref },
              { value: 'board', label: 'the whole board' },
            ]}
          />
        )}
        {warms && (
          <Segments
            label="It stands"
            value={at}
            onChange={setAt}
            options={[
              { value: 'room', label: 'in the room, 23 °C' },
              { value: 'warm', label: kind === 'cure' ? 'in the oven, 60 °C' : 'in warm air, 45 °C' },
            ]}
          />
        )}
        <TextField
          label={
            told?.length_s == null
              ? 'Minutes'
              : `Minutes; left empty ${minutesIn(told.length_s)}, ${told.because}`
          }
          type="number"
          min={1}
          max={500_000}
          step="any"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
        />
        <TextField
          label="What, in words of your own"
          maxLength={120}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
        />
        <Button type="submit" look="primary" disabled={!able}>
          Start it
        </Button>
      </form>
    </Dialog>
  );
}

const minutesIn = (length_s: number): string => String(Math.ceil(length_s / 60));
