import { useStore } from '@nanostores/react';
import { useRef, useState } from 'react';
import type { MemoryEntry } from '~/core/record/memoryEntries';
import type { DumpRecord } from '~/schema/records/site/memory';
import type { ComparedDumps, MemorySheet } from '~/schema/sheets/memorySheet';
import { getJson, postFile, postJson } from '~/ui/api';
import { Button, CommandButton } from '~/ui/controls/Button';
import { Segments, SelectField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { dayAndTime } from '~/ui/dates';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { useReady } from '~/ui/useReady';
import { MEMORY_COMMANDS, memoryCommand, type MemoryCommand } from './commands';
import { ContentsMap } from './ContentsMap';
import { CONTENTS_WORDS, dumpName, entryInWords, isBad } from './entryWords';
import { blockOf, checksOf } from './hexFields';
import { ProgrammerPanel, sizeInWords, type ProgrammerDraft } from './ProgrammerPanel';
import { TransferPanel, type TransferDraft } from './TransferPanel';
import { fromPage } from '~/ui/fromPage';
import css from './memory.module.css';

/** The contents of a site's part: read twice and kept, compared, carried over into new ones, written and verified. */
function MemoryView({ sheet: first }: { readonly sheet: MemorySheet }) {
  const [sheet, setSheet] = useState(first);
  const [error, setError] = useState<unknown>(null);
  const [compared, setCompared] = useState<ComparedDumps | null>(null);
  const [busy, setBusy] = useState(false);
  const by = useStore($by);
  const ready = useReady();
  const file = useRef<HTMLInputElement>(null);
  const { site, dumps, entries, sockets } = sheet;
  const [oldest, newest] = [dumps[0]?.id ?? '', dumps.at(-1)?.id ?? ''];
  const kept = entries.findLast((entry) => entry.kind === 'read' && entry.verdict === 'alike');
  const own = kept?.kind === 'read' ? kept.dumpId : oldest;
  const cameAsFile = entries.findLast((entry) => entry.kind === 'from-file');
  const [pair, setPair] = useState({ one: own, other: newest });
  const [programmer, setProgrammer] = useState<ProgrammerDraft>({
    socket: sockets[0] ?? 'dip40',
    part: 'own',
    size: String(dumps[0]?.size_bytes ?? 8192),
    fault: 'none',
    name: `${site.ref} as it came`,
    dumpId: newest,
    fitted: false,
  });
  const [transfer, setTransfer] = useState<TransferDraft>({
    freshId: cameAsFile?.kind === 'from-file' ? cameAsFile.dumpId : newest,
    ownId: own,
    name: `${site.ref} for this board`,
    block: { name: '', from: '', to: '' },
    check: { kind: '', from: '0', to: '', at: '', order: 'low-first' },
  });
  const nameOf = dumpName(dumps);
  const address = `/api/sites/${site.id}`;

  const doing = async (work: () => Promise<void>): Promise<void> => {
    setBusy(true);
    try {
      await work();
      setError(null);
    } catch (refused) {
      setError(refused);
    } finally {
      setBusy(false);
    }
  };
  const signed = (): string => {
    if (!by) throw new Error(SIGN_FIRST);
    return by;
  };
  const took = (now: MemorySheet): void => {
    setSheet(now);
    const last = now.dumps.at(-1)?.id ?? '';
    setPair(({ one }) => ({ one: one || (now.dumps[0]?.id ?? ''), other: last }));
    setProgrammer((p) => ({ ...p, dumpId: last }));
    setTransfer((t) => ({ ...t, ownId: t.ownId || (now.dumps[0]?.id ?? ''), freshId: t.freshId || last }));
    setCompared(null);
  };
  const compare = (one: string, other: string): Promise<void> =>
    doing(async () =>
      setCompared(await getJson<ComparedDumps>(`${address}/dumps/${one}/against?other=${other}`)),
    );
  const atProgrammer = (what: object): Promise<void> =>
    doing(async () => {
      const { socket, part, size, fault } = programmer;
      const asked = { socket, part, size_bytes: Number(size), fault, by: signed(), ...what };
      const { entry, sheet: now } = await postJson<{ entry: MemoryEntry; sheet: MemorySheet }>(
        `${address}/programmer`,
        asked,
      );
      took(now);
      if (entry.kind === 'read' && entry.otherId) {
        setPair({ one: entry.dumpId, other: entry.otherId });
        setCompared(
          await getJson<ComparedDumps>(`${address}/dumps/${entry.dumpId}/against?other=${entry.otherId}`),
        );
      }
    });
  const run = (id: MemoryCommand): boolean => {
    if (busy) return true;
    switch (id) {
      case 'read':
        if (sockets.length === 0) return false;
        void atProgrammer({ do: 'read', name: programmer.name.trim() || `${site.ref} as it came` });
        return true;
      case 'write':
        if (programmer.dumpId === '' || programmer.part === 'own') return false;
        void atProgrammer({ do: 'program', dumpId: programmer.dumpId });
        return true;
      case 'verify':
        if (programmer.dumpId === '') return false;
        void atProgrammer({ do: 'verify', dumpId: programmer.dumpId, fitted: programmer.fitted });
        return true;
      case 'compare':
        if (dumps.length < 2) return false;
        void compare(pair.one, pair.other);
        return true;
      case 'make':
        if (dumps.length < 2) return false;
        void doing(async () => {
          const made = await postJson<{ dump: DumpRecord; sheet: MemorySheet }>(`${address}/dumps/made`, {
            name: transfer.name.trim() || `${site.ref} for this board`,
            freshId: transfer.freshId,
            ownId: transfer.ownId,
            blocks: [blockOf(transfer.block)],
            checks: checksOf(transfer.check),
            by: signed(),
          });
          took(made.sheet);
          setPair({ one: transfer.freshId, other: made.dump.id });
        });
        return true;
    }
  };
  useCommands('memory', MEMORY_COMMANDS, run);
  const options = dumps.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <div className={css['top']}>
        <p className={css['standing']} data-contents={sheet.contents} role="status">
          {CONTENTS_WORDS[sheet.contents]}
        </p>
        <Segments
          label="Missed if they are lost"
          value={sheet.contents === 'none' ? 'no' : 'yes'}
          onChange={(holds) =>
            void doing(async () =>
              took(
                await postJson<MemorySheet>(`${address}/memory`, { holds: holds === 'yes', by: signed() }),
              ),
            )
          }
          options={[
            { value: 'yes', label: 'yes' },
            { value: 'no', label: 'no' },
          ]}
        />
      </div>
      <ErrorNote error={error} />
      <ProgrammerPanel
        draft={programmer}
        sockets={sockets}
        dumps={dumps}
        onChange={(changes) => setProgrammer({ ...programmer, ...changes })}
        run={run}
      />
      <section aria-label="Contents that are kept" className={css['panel']}>
        <h2>Contents that are kept</h2>
        {dumps.length === 0 && <p className="quiet">None yet.</p>}
        {dumps.length > 0 && (
          <table className={css['dumps']}>
            <thead>
              <tr>
                <th scope="col">name</th>
                <th scope="col">size</th>
                <th scope="col">CRC-32</th>
                <th scope="col">sum</th>
                <th scope="col">SHA-256 begins</th>
                <th scope="col">kept</th>
                <th scope="col">
                  <span className="sr-only">file</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {dumps.map((dump) => (
                <tr key={dump.id}>
                  <th scope="row">{dump.name}</th>
                  <td>{sizeInWords(dump.size_bytes)}</td>
                  <td className="digits">{dump.crc32}</td>
                  <td className="digits">{dump.sum16}</td>
                  <td className="digits" title={dump.sha256}>
                    {dump.sha256.slice(0, 12)}
                  </td>
                  <td className="quiet">
                    {dayAndTime(dump.at_ms)}, {dump.by}
                  </td>
                  <td>
                    <a href={`${address}/dumps/${dump.id}/file`} download={`${dump.name}.bin`}>
                      As a file
                    </a>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <div className={css['row']}>
          <Button small onClick={() => file.current?.click()}>
            Bring contents in from a file
          </Button>
          <input
            ref={file}
            type="file"
            className="sr-only"
            tabIndex={-1}
            aria-label="A file of contents"
            onChange={(event) => {
              const given = event.target.files?.[0];
              event.target.value = '';
              if (!given) return;
              const asBytes = new File([given], given.name, { type: 'application/octet-stream' });
              void doing(async () => {
                const told = new URLSearchParams({ name: given.name.slice(0, 80), by: signed() });
                took(await postFile<MemorySheet>(`${address}/dumps?${told}`, asBytes));
              });
            }}
          />
        </div>
      </section>
      {dumps.length > 1 && (
        <section aria-label="Two contents compared" className={css['panel']}>
          <h2>Two contents compared</h2>
          <div className={css['row']}>
            <SelectField
              label="One"
              value={pair.one}
              onChange={(one) => setPair({ ...pair, one })}
              options={options}
            />
            <SelectField
              label="The other"
              value={pair.other}
              onChange={(other) => setPair({ ...pair, other })}
              options={options}
            />
            <CommandButton command={memoryCommand('compare')} run={run} />
          </div>
          {compared && (
            <ContentsMap compared={compared} label={`${nameOf(pair.one)} and ${nameOf(pair.other)}`} />
          )}
        </section>
      )}
      <TransferPanel
        draft={transfer}
        dumps={dumps}
        onChange={(changes) => setTransfer({ ...transfer, ...changes })}
        run={run}
      />
      {entries.length > 0 && (
        <section aria-label="What was done" className={css['panel']}>
          <h2>What was done</h2>
          <ol className={css['entries']}>
            {[...entries].reverse().map((entry) => (
              <li key={entry.id} data-bad={isBad(entry) || undefined}>
                <span className="quiet">
                  {dayAndTime(entry.at_ms)}, {entry.by}
                </span>{' '}
                {entryInWords(entry, nameOf)}.
              </li>
            ))}
          </ol>
        </section>
      )}
    </div>
  );
}

export const MemoryIsland = fromPage(MemoryView);
