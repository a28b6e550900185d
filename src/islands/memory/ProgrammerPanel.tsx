import { PROGRAMMER_SOCKETS, type ProgrammerSocketId } from '~/core/electrical/memory/sockets';
import {
  PROGRAMMER_FAULTS,
  PROGRAMMER_FAULT_IDS,
  type ProgrammerFault,
} from '~/core/electrical/memory/standInPart';
import type { DumpRecord } from '~/schema/records/site/memory';
import { MEMORY_SIZES } from '~/schema/records/site/programmerSizes';
import { CommandButton } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { memoryCommand, type MemoryCommand } from './commands';
import css from './memory.module.css';

/** What the programmer is set to. */
export interface ProgrammerDraft {
  readonly socket: ProgrammerSocketId;
  readonly part: 'own' | 'new';
  readonly size: string;
  readonly fault: ProgrammerFault;
  readonly name: string;
  readonly dumpId: string;
  readonly fitted: boolean;
}

/** The simulated programmer: which part lies in which socket, and what is done with it. */
export function ProgrammerPanel({
  draft,
  sockets,
  dumps,
  onChange,
  run,
}: {
  readonly draft: ProgrammerDraft;
  readonly sockets: readonly ProgrammerSocketId[];
  readonly dumps: readonly DumpRecord[];
  readonly onChange: (changes: Partial<ProgrammerDraft>) => void;
  readonly run: (id: MemoryCommand) => void;
}) {
  if (sockets.length === 0)
    return (
      <section aria-label="Programmer" className={css['panel']}>
        <h2>Programmer</h2>
        <p>
          No socket of this programmer takes the part. Read it with another one, and bring the file in below.
        </p>
      </section>
    );
  return (
    <section aria-label="Programmer" className={css['panel']}>
      <h2>
        Programmer <span className={css['simulated']}>simulated</span>
      </h2>
      <div className={css['fields']}>
        <SelectField
          label="Socket"
          value={draft.socket}
          onChange={(socket) => onChange({ socket })}
          options={sockets.map((value) => ({ value, label: PROGRAMMER_SOCKETS[value].name }))}
        />
        <SelectField
          label="Size"
          value={draft.size}
          onChange={(size) => onChange({ size })}
          options={MEMORY_SIZES.map((size) => ({ value: String(size), label: sizeInWords(size) }))}
        />
        <SelectField
          label="What is wrong (provoked)"
          value={draft.fault}
          onChange={(fault) => onChange({ fault })}
          options={PROGRAMMER_FAULT_IDS.map((value) => ({ value, label: PROGRAMMER_FAULTS[value] }))}
        />
      </div>
      <div className={css['choice']}>
        <Segments
          label="In the socket"
          value={draft.part}
          onChange={(part) => onChange({ part })}
          options={[
            { value: 'own', label: 'the board’s own part' },
            { value: 'new', label: 'the new part' },
          ]}
        />
      </div>
      <div className={css['row']}>
        <TextField
          label="Kept under the name"
          value={draft.name}
          maxLength={60}
          onChange={(event) => onChange({ name: event.target.value })}
        />
        <CommandButton command={memoryCommand('read')} run={run} look="primary" />
      </div>
      {dumps.length > 0 && (
        <div className={css['row']}>
          <SelectField
            label="These contents"
            value={draft.dumpId}
            onChange={(dumpId) => onChange({ dumpId })}
            options={dumps.map(({ id, name }) => ({ value: id, label: name }))}
          />
          <CommandButton command={memoryCommand('write')} run={run} disabled={draft.part === 'own'} />
          <CommandButton command={memoryCommand('verify')} run={run} />
          <label className={css['check']}>
            <input
              type="checkbox"
              checked={draft.fitted}
              onChange={(event) => onChange({ fitted: event.target.checked })}
            />
            it is on the board by now
          </label>
        </div>
      )}
    </section>
  );
}

export const sizeInWords = (bytes: number): string =>
  bytes >= 1_048_576 ? `${bytes / 1_048_576} MiB` : bytes >= 1024 ? `${bytes / 1024} KiB` : `${bytes} bytes`;
