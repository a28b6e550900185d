import { useEffect, useRef, useState } from 'react';
import type { BoardEntryBody } from '~/core/record/boardEntries';
import type { BoardStanding } from '~/schema/sheets/boardStanding';
import { ApiError, getJson, postJson } from '~/ui/api';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { newKey } from '~/ui/newKey';

/**
 * Where a board stands, and the way to write of it. Read again when a finding was recorded here: what is open follows
 * from it. An entry that was refused brings the standing as another screen left it.
 */
export function useStanding(first: BoardStanding, findings: number) {
  const [standing, setStanding] = useState(first);
  const [error, setError] = useState<unknown>(null);
  const url = `/api/boards/${first.board.id}/entries`;
  const seen = useRef(findings);
  useEffect(() => {
    if (seen.current === findings) return;
    seen.current = findings;
    getJson<BoardStanding>(url).then(setStanding, setError);
  }, [url, findings]);
  const enter = (body: BoardEntryBody, then: () => void = () => undefined): void => {
    const by = $by.get();
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    postJson<BoardStanding>(url, { clientId: newKey(), by, body }).then(
      (now) => {
        setStanding(now);
        setError(null);
        then();
      },
      (refused: unknown) => {
        setError(refused);
        if (refused instanceof ApiError && refused.kind === 'conflict' && refused.current)
          setStanding(refused.current as BoardStanding);
      },
    );
  };
  return { standing, error, enter, forget: () => setError(null) };
}
