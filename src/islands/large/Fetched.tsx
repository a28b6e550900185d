import { useEffect, useState, type ReactNode } from 'react';
import { getJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';

/** A sheet that is too large to come with its page: fetched after it, with what is awaited said meanwhile. */
export function Fetched({
  at,
  pads,
  children,
}: {
  readonly at: string;
  /** How many pads its board has. */
  readonly pads: number;
  readonly children: (sheet: unknown) => ReactNode;
}) {
  const [sheet, setSheet] = useState<unknown>(null);
  const [error, setError] = useState<unknown>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let wanted = true;
    setError(null);
    getJson(at).then(
      (came) => wanted && setSheet(came),
      (refused: unknown) => wanted && setError(refused),
    );
    return () => {
      wanted = false;
    };
  }, [at, asked]);
  if (sheet !== null) return children(sheet);
  return (
    <div>
      {error === null ? (
        <p role="status">Reading a board of {pads.toLocaleString('en')} pads…</p>
      ) : (
        <>
          <ErrorNote error={error} />
          <Button onClick={() => setAsked(asked + 1)}>Read it again</Button>
        </>
      )}
    </div>
  );
}
