import { useState } from 'react';
import type { PhotoRecord } from '~/schema/records/board/photo';
import { Picture } from './Picture';
import { pictureUrl, sendPhoto, type PhotoOf } from './sendPhoto';
import css from './photos.module.css';

interface FindingPhotosProps {
  readonly boardId: string;
  readonly of: PhotoOf;
  readonly photos: readonly PhotoRecord[];
  readonly onPhoto: (photo: PhotoRecord) => void;
  readonly onError: (error: unknown) => void;
}

/** Photos that go with one finding, small, and a way to add one. */
export function FindingPhotos({ boardId, of, photos, onPhoto, onError }: FindingPhotosProps) {
  const [sending, setSending] = useState(false);
  const send = (file: File | undefined): void => {
    if (!file) return;
    setSending(true);
    sendPhoto(boardId, file, of)
      .then(onPhoto, onError)
      .finally(() => setSending(false));
  };
  return (
    <span className={css['strip']}>
      {photos.map((photo) =>
        photo.takenAway ? (
          <Picture key={photo.id} photo={photo} alt="" />
        ) : (
          <a key={photo.id} href={pictureUrl(photo)} target="_blank" rel="noreferrer">
            <Picture photo={photo} alt={photo.caption || 'Photo of this finding'} />
          </a>
        ),
      )}
      <label className={css['add']}>
        {sending ? 'Sending…' : 'Add a photo'}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp,image/avif"
          disabled={sending}
          onChange={(event) => {
            send(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
    </span>
  );
}
