import { useEffect, useState } from 'react';

/** Whether a view is alive in the browser yet: what the server drew takes no press. */
export function useReady(): boolean {
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  return ready;
}
