import { CHECK_SUMS, CHECK_SUM_IDS } from '~/core/electrical/memory/checksums';
import type { DumpRecord } from '~/schema/records/site/memory';
import { CommandButton } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { memoryCommand, type MemoryCommand } from './commands';
import type { BlockDraft, CheckDraft } from './hexFields';
import css from './memory.module.css';

export interface TransferDraft {
  readonly freshId: string;
  readonly ownId: string;
  readonly name: string;
  readonly block: BlockDraft;
  readonly check: CheckDraft;
}

/** The board's own number and calibration out of its old contents into new ones, with the check sum that goes with it. */
export function TransferPanel({
  draft,
  dumps,
  onChange,
  run,
}: {
  readonly draft: TransferDraft;
  readonly dumps: readonly DumpRecord[];
  readonly onChange: (changes: Partial<TransferDraft>) => void;
  readonly run: (id: MemoryCommand) => void;
}) {
  const { block, check } = draft;
  const options = dumps.map(({ id, name }) => ({ value: id, label: name }));
  const blockField = (of: keyof BlockDraft, label: string) => (
    <TextField
      label={label}
      value={block[of]}
      maxLength={40}
      autoComplete="off"
      onChange={(event) => onChange({ block: { ...block, [of]: event.target.value } })}
    />
  );
  const checkField = (of: 'from' | 'to' | 'at', label: string) => (
    <TextField
      label={label}
      value={check[of]}
      maxLength={10}
      autoComplete="off"
      onChange={(event) => onChange({ check: { ...check, [of]: event.target.value } })}
    />
  );
  return (
    <section aria-label="The board’s own into new contents" className={css['panel']}>
      <h2>The board’s own into new contents</h2>
      {dumps.length < 2 ? (
        <p className="quiet">
          It takes two: the board’s own, and new ones as they are the same for every board.
        </p>
      ) : (
        <>
          <div className={css['fields']}>
            <SelectField
              label="New contents"
              value={draft.freshId}
              onChange={(freshId) => onChange({ freshId })}
              options={options}
            />
            <SelectField
              label="The board’s own, out of"
              value={draft.ownId}
              onChange={(ownId) => onChange({ ownId })}
              options={options}
            />
            {blockField('name', 'What the block is')}
            {blockField('from', 'First byte, hex')}
            {blockField('to', 'Last byte, hex')}
          </div>
          <div className={css['fields']}>
            <SelectField
              label="Check sum, as its listing says"
              value={check.kind}
              onChange={(kind) => onChange({ check: { ...check, kind } })}
              options={[
                { value: '', label: 'none, or not known' },
                ...CHECK_SUM_IDS.map((value) => ({ value, label: CHECK_SUMS[value].name })),
              ]}
            />
            {check.kind !== '' && (
              <>
                {checkField('from', 'Of first byte, hex')}
                {checkField('to', 'Of last byte, hex')}
                {checkField('at', 'It stands at, hex')}
                <SelectField
                  label="Its bytes"
                  value={check.order}
                  onChange={(order) => onChange({ check: { ...check, order } })}
                  options={[
                    { value: 'low-first', label: 'low one first' },
                    { value: 'high-first', label: 'high one first' },
                  ]}
                />
              </>
            )}
          </div>
          <div className={css['row']}>
            <TextField
              label="Kept under the name"
              value={draft.name}
              maxLength={60}
              onChange={(event) => onChange({ name: event.target.value })}
            />
            <CommandButton command={memoryCommand('make')} run={run} />
          </div>
        </>
      )}
    </section>
  );
}
