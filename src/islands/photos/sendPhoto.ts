import type { PhotoRecord } from '~/schema/records/board/photo';
import { ApiError, postFile } from '~/ui/api';
import { $by } from '~/ui/preferences';

/** Larger files are refused before they travel; the server holds to the same. */
export const LARGEST_PHOTO_MB = 25;

export interface PhotoOf {
  readonly side?: 'top' | 'bottom';
  readonly findingId?: string;
  readonly faceFindingId?: string;
  readonly caption?: string;
}

/** Sends one photo of a board, of a face, or of a finding. */
export async function sendPhoto(boardId: string, file: File, of: PhotoOf): Promise<PhotoRecord> {
  if (file.size > LARGEST_PHOTO_MB * 1024 * 1024) {
    throw new ApiError(
      'too-large',
      `${file.name} has ${(file.size / 1048576).toFixed(0)} MB; send a photo of at most ${LARGEST_PHOTO_MB} MB`,
    );
  }
  const query = new URLSearchParams({ ...of, by: $by.get() });
  return postFile<PhotoRecord>(`/api/boards/${boardId}/photos?${query}`, file);
}

export const pictureUrl = (photo: Pick<PhotoRecord, 'boardId' | 'id'>): string =>
  `/api/boards/${photo.boardId}/photos/${photo.id}/picture`;
