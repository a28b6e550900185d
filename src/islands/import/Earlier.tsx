import { useState } from 'react';
import type { ImportRecord } from '~/schema/records/board/boardImport';
import { ApiError, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import css from './import.module.css';
import { day } from '~/ui/dates';

interface EarlierProps {
  readonly boardId: string;
  readonly records: readonly ImportRecord[];
  readonly onUndone: (record: ImportRecord) => void;
  readonly onFailed: (error: unknown) => void;
}

/** Imports that the board has had; one whose sites have no history yet can be undone. */
export function Earlier({ boardId, records, onUndone, onFailed }: EarlierProps) {
  const [busy, setBusy] = useState<string | null>(null);
  /** Sites of an import that were corrected by hand, as it was last told; they go with it when it is pressed again. */
  const [corrected, setCorrected] = useState<ReadonlyMap<string, number>>(new Map());
  if (records.length === 0) return null;
  const undo = async (record: ImportRecord): Promise<void> => {
    setBusy(record.id);
    try {
      onUndone(
        await postJson<ImportRecord>(`/api/boards/${boardId}/imports/${record.id}/undo`, {
          corrected: corrected.get(record.id) ?? 0,
        }),
      );
    } catch (error) {
      const told = error instanceof ApiError ? (error.current as { corrected?: number } | null) : null;
      if (told?.corrected !== undefined) setCorrected(new Map([...corrected, [record.id, told.corrected]]));
      onFailed(error);
    } finally {
      setBusy(null);
    }
  };
  return (
    <section aria-label="Earlier imports" className={css['earlier']}>
      <h2>Earlier imports</h2>
      <ul className={css['list']}>
        {[...records].reverse().map((record) => (
          <li key={record.id}>
            <span className="digits">{day(record.at_ms)}</span> {record.siteIds.length}{' '}
            {record.siteIds.length === 1 ? 'part' : 'parts'} from{' '}
            {record.files.map((file) => file.name).join(', ')}, {record.by}{' '}
            {record.undoneAt_ms === null ? (
              <Button small disabled={busy !== null} onClick={() => void undo(record)}>
                {busy === record.id
                  ? 'Undoing…'
                  : corrected.has(record.id)
                    ? 'Undo, corrections too'
                    : 'Undo'}
              </Button>
            ) : (
              <span className="quiet">undone</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
