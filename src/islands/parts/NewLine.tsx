import { useState } from 'react';
import type { StockPart } from '~/schema/records/parts/stockPart';
import { partInWords } from '~/schema/words/partWords';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { SIGN_FIRST } from '~/ui/preferences';
import { NO_PART, partOfDraft } from './partDraft';
import { PartFields } from './PartFields';
import css from './parts.module.css';

/** A line of parts that is new to the drawers. */
export function NewLine({
  by,
  onDone,
  onShut,
}: {
  readonly by: string;
  readonly onDone: (line: StockPart, told: string) => void;
  readonly onShut: () => void;
}) {
  const [draft, setDraft] = useState(NO_PART);
  const [line, setLine] = useState({ drawer: '', batch: '', count: '', low: '' });
  const [error, setError] = useState<unknown>(null);
  const write = async (): Promise<void> => {
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    try {
      const written = await postJson<StockPart>('/api/parts', {
        part: partOfDraft(draft),
        drawer: line.drawer.trim(),
        batch: line.batch.trim(),
        count: Number(line.count),
        low: Number(line.low || 0),
        by,
      });
      onDone(written, `${partInWords(written.part)}: ${written.count} in ${written.drawer || 'no drawer'}.`);
    } catch (refused) {
      setError(refused);
    }
  };
  const text = (field: keyof typeof line, label: string) => (
    <TextField
      label={label}
      value={line[field]}
      maxLength={40}
      autoComplete="off"
      inputMode={field === 'count' || field === 'low' ? 'numeric' : 'text'}
      onChange={(event) => setLine({ ...line, [field]: event.target.value })}
    />
  );
  return (
    <form
      className={css['form']}
      aria-label="A part that is new"
      onSubmit={(event) => {
        event.preventDefault();
        void write();
      }}
    >
      <PartFields draft={draft} onChange={setDraft} />
      <div className={css['fields']}>
        {text('drawer', 'Drawer')}
        {text('batch', 'Batch')}
        {text('count', 'There are')}
        {text('low', 'Order under')}
      </div>
      <ErrorNote error={error} />
      <div className={css['row']}>
        <Button type="submit" look="primary">
          Put it in
        </Button>
        <Button look="plain" onClick={onShut}>
          Shut
        </Button>
      </div>
    </form>
  );
}
