import { useEffect, useState } from 'react';
import type { RunSheet } from '~/schema/sheets/runSheet';
import { postJson } from '~/ui/api';

export type NextPart =
  | { readonly is: 'waiting' }
  | { readonly is: 'planning' }
  | { readonly is: 'failed'; readonly error: unknown };

/**
 * Goes on to the next part of a whole board's job, once this one's entries are in the record: by itself where the part
 * was ended here, on a press where the page was opened on one that had ended.
 */
export function useNextPart(
  { job }: RunSheet,
  by: string,
  due: boolean,
): { readonly next: NextPart; readonly begin: () => boolean } {
  const [next, setNext] = useState<NextPart>({ is: 'waiting' });
  const begin = (): boolean => {
    if (job.recapId === null) return false;
    if (next.is === 'planning') return true;
    setNext({ is: 'planning' });
    postJson<{ jobId: string }>(`/api/boards/${job.boardId}/recaps/${job.recapId}/next`, { by }).then(
      ({ jobId }) => location.assign(`/jobs/${jobId}`),
      (error: unknown) => setNext({ is: 'failed', error }),
    );
    return true;
  };
  useEffect(() => {
    if (due) begin();
    // Only becoming due begins it; a failure waits for a press.
  }, [due]);
  return { next, begin };
}
