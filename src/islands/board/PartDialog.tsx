import { useEffect, useState } from 'react';
import type { BoardEntryBody } from '~/core/record/boardEntries';
import { OCCUPANCIES, type OccupancyTold } from '~/core/record/occupancy';
import { Button } from '~/ui/controls/Button';
import { Dialog } from '~/ui/controls/Dialog';
import { Segments, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import css from './openWork.module.css';

const TOLD = [
  'fitted',
  'off-kept',
  'off-given-up',
  'never-populated',
  'socket-empty',
  'socket-filled',
] as const satisfies readonly OccupancyTold['is'][];

/** Says what stands on a site, where no job of this bench made it so. */
export function PartDialog({
  site,
  error,
  onClose,
  onEnter,
}: {
  site: { readonly id: string; readonly ref: string } | null;
  error: unknown;
  onClose: () => void;
  onEnter: (body: BoardEntryBody) => void;
}) {
  const [is, setIs] = useState<OccupancyTold['is'] | null>(null);
  const [what, setWhat] = useState('');
  const [where, setWhere] = useState('');
  useEffect(() => {
    setIs(null);
    setWhat('');
    setWhere('');
  }, [site?.id]);
  const filled = is === 'fitted' || is === 'socket-filled';
  return (
    <Dialog title={`What stands on ${site?.ref ?? ''}`} isOpen={site !== null} onClose={onClose}>
      <form
        className={css['form']}
        onSubmit={(event) => {
          event.preventDefault();
          if (!is || !site) return;
          onEnter({
            kind: 'part',
            siteId: site.id,
            is,
            what: filled ? what.trim() : '',
            where: is === 'off-kept' ? where.trim() : '',
          });
        }}
      >
        <ErrorNote error={error} />
        <Segments
          label="There now"
          value={is}
          onChange={setIs}
          options={TOLD.map((value) => ({ value, label: OCCUPANCIES[value].name }))}
        />
        {filled && (
          <TextField
            label="What it is: value, rating, marking, from where"
            maxLength={80}
            value={what}
            onChange={(event) => setWhat(event.target.value)}
          />
        )}
        {is === 'off-kept' && (
          <TextField
            label="Where it lies: tray, bag, drawer"
            maxLength={80}
            value={where}
            onChange={(event) => setWhere(event.target.value)}
          />
        )}
        <Button type="submit" look="primary" disabled={is === null}>
          Write it down
        </Button>
      </form>
    </Dialog>
  );
}
