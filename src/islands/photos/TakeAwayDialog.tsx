import { useEffect, useState } from 'react';
import type { PhotoRecord } from '~/schema/records/board/photo';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Dialog } from '~/ui/controls/Dialog';
import { TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import css from './photos.module.css';

/** Takes one picture away for good, with the reason that stays in its place. */
export function TakeAwayDialog({
  photo,
  onDone,
  onClose,
}: {
  /** Null: the dialog is shut. */
  readonly photo: PhotoRecord | null;
  readonly onDone: (photo: PhotoRecord) => void;
  readonly onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const [error, setError] = useState<unknown>(null);
  useEffect(() => {
    setReason('');
    setError(null);
  }, [photo]);
  const take = async (): Promise<void> => {
    const by = $by.get();
    if (!photo || !reason.trim()) return;
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    const url = `/api/boards/${photo.boardId}/photos/${photo.id}/taken-away`;
    try {
      onDone(await postJson<PhotoRecord>(url, { revision: photo.revision, by, reason }));
    } catch (refused) {
      setError(refused);
    }
  };
  return (
    <Dialog title="Take the picture away" isOpen={photo !== null} onClose={onClose}>
      <form
        className={css['away']}
        onSubmit={(event) => {
          event.preventDefault();
          void take();
        }}
      >
        <p>
          Its bytes go for good, and cannot be brought back. That there was a photo, who took it away and why
          stay in the record. Copies made before still have it.
        </p>
        <TextField
          label="Why"
          autoFocus
          maxLength={200}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
        <ErrorNote error={error} />
        <Button type="submit" look="primary" disabled={!reason.trim()}>
          Take it away
        </Button>
      </form>
    </Dialog>
  );
}
