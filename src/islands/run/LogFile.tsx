import { useRef, useState } from 'react';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { postFile } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { useReady } from '~/ui/useReady';

/** Takes a thermal log in from a file: CSV with a column `elapsed_s`, or the JSON form. */
export function LogFile({ jobId }: { jobId: string }) {
  const ready = useReady();
  const input = useRef<HTMLInputElement>(null);
  const [error, setError] = useState<unknown>(null);
  const take = (file: File | undefined): void => {
    if (!file) return;
    const by = $by.get();
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    const kind = /\.json$/i.test(file.name) ? 'application/json' : 'text/csv';
    const query = new URLSearchParams({ by, name: file.name.slice(0, 120) });
    postFile(`/api/jobs/${jobId}/logs?${query}`, new Blob([file], { type: kind })).then(
      () => window.location.reload(),
      (refused: unknown) => setError(refused),
    );
  };
  return (
    <div data-log-ready={ready || undefined}>
      <ErrorNote error={error} />
      <input
        ref={input}
        type="file"
        hidden
        aria-label="Thermal log, CSV or JSON"
        accept=".csv,.txt,.json,text/csv,application/json"
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Button small onClick={() => input.current?.click()}>
        Add a thermal log from a file
      </Button>
    </div>
  );
}
