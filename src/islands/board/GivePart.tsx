import { useState } from 'react';
import { PART_KINDS, type PartKind } from '~/core/electrical/parts/part';
import type { StockPart } from '~/schema/records/parts/stockPart';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { SIGN_FIRST } from '~/ui/preferences';
import css from './board.module.css';

/** A part that is off and kept goes into a drawer, for whichever board needs it next. */
export function GivePart({
  siteId,
  siteRef,
  told,
  by,
  onGiven,
}: {
  readonly siteId: string;
  readonly siteRef: string;
  /** Whether its site's value tells what kind of part it is. */
  readonly told: boolean;
  readonly by: string;
  readonly onGiven: () => void;
}) {
  const [open, setOpen] = useState(false);
  const [drawer, setDrawer] = useState('');
  const [kind, setKind] = useState<PartKind>('logic');
  const [error, setError] = useState<unknown>(null);
  const give = async (): Promise<void> => {
    try {
      if (!by) throw new Error(SIGN_FIRST);
      await postJson<StockPart>(`/api/sites/${siteId}/parts`, {
        drawer: drawer.trim(),
        kind: told ? null : kind,
        by,
      });
      onGiven();
    } catch (refused) {
      setError(refused);
    }
  };
  if (!open)
    return (
      <Button small look="plain" onClick={() => setOpen(true)}>
        The part of {siteRef} goes into a drawer
      </Button>
    );
  return (
    <form
      className={css['give']}
      aria-label={`Into a drawer: the part of ${siteRef}`}
      onSubmit={(event) => {
        event.preventDefault();
        void give();
      }}
    >
      {!told && (
        <SelectField
          label="What it is"
          value={kind}
          onChange={setKind}
          options={PART_KINDS.map((value) => ({ value, label: value }))}
        />
      )}
      <TextField
        label="Drawer"
        value={drawer}
        maxLength={40}
        autoComplete="off"
        autoFocus
        onChange={(event) => setDrawer(event.target.value)}
      />
      <Button type="submit" look="primary" disabled={drawer.trim() === ''}>
        Put it there
      </Button>
      <Button look="plain" onClick={() => setOpen(false)}>
        Leave it
      </Button>
      <ErrorNote error={error} />
    </form>
  );
}
