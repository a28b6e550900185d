import { useEffect, useRef, type Dispatch } from 'react';
import type { RunEvent } from '~/core/record/runEvents';
import { MOST_AGO_ms } from '~/schema/values/ago';
import type { AppendRequest } from '~/schema/records/jobs/runEvent';
import { ApiError, getJson, postJson } from '~/ui/api';
import { refreshRail } from '~/islands/rail/railStore';
import type { RunAction, RunViewState, Unsent } from './state';

interface EventsAnswer {
  readonly events: readonly RunEvent[];
  readonly now_ms: number;
}

const RETRY_ms = 2000;
const CATCH_UP_ms = 4000;

/**
 * Sends entries one after another, and keeps what is unsent in the browser so that neither a reload
 * nor a stopped server loses a press. Another screen's entries come in while nothing is waiting.
 */
export function useOutbox(jobId: string, state: RunViewState, dispatch: Dispatch<RunAction>): void {
  const key = `ithermon-unsent-${jobId}`;
  const sending = useRef(false);
  const skew = useRef(state.skew_ms);
  useEffect(() => {
    skew.current = state.skew_ms;
  }, [state.skew_ms]);
  const restored = useRef(false);
  const url = `/api/jobs/${jobId}/events`;

  useEffect(() => {
    const kept = readUnsent(key);
    if (kept.length) dispatch({ type: 'restored', unsent: kept });
    restored.current = true;
  }, [key, dispatch]);

  useEffect(() => {
    if (restored.current) localStorage.setItem(key, JSON.stringify(state.unsent));
  }, [key, state.unsent]);

  const next = state.unsent[0];
  const afterSeq = state.events.at(-1)?.seq ?? 0;
  useEffect(() => {
    if (!next || sending.current) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const send = (): void => {
      sending.current = true;
      const body: AppendRequest = {
        clientId: next.clientId,
        afterSeq,
        by: next.by,
        event: next.event,
        ago_ms: Math.min(MOST_AGO_ms, Math.max(0, Math.round(Date.now() + skew.current - next.at_ms))),
      };
      postJson<EventsAnswer>(url, body).then(
        ({ events, now_ms }) => {
          sending.current = false;
          refreshRail().catch(() => undefined);
          dispatch({ type: 'acknowledged', clientId: next.clientId, events, skew_ms: now_ms - Date.now() });
        },
        (error: unknown) => {
          sending.current = false;
          if (error instanceof ApiError && (error.kind === 'offline' || error.kind === 'internal')) {
            dispatch({ type: 'offline' });
            timer = setTimeout(send, RETRY_ms);
            return;
          }
          const current =
            error instanceof ApiError ? (error.current as { events?: RunEvent[] } | null) : null;
          dispatch({ type: 'refused', error, events: current?.events ?? null });
        },
      );
    };
    send();
    return () => clearTimeout(timer);
    // Each entry is sent once; `afterSeq` is read when its turn comes.
  }, [next?.clientId, url, dispatch]);

  const idle = state.unsent.length === 0;
  useEffect(() => {
    if (!idle) return;
    const timer = setInterval(() => {
      if (document.hidden) return;
      getJson<EventsAnswer>(url).then(
        ({ events, now_ms }) => dispatch({ type: 'caught-up', events, skew_ms: now_ms - Date.now() }),
        () => undefined,
      );
    }, CATCH_UP_ms);
    return () => clearInterval(timer);
  }, [idle, url, dispatch]);
}

function readUnsent(key: string): Unsent[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return Array.isArray(kept) ? (kept as Unsent[]) : [];
  } catch {
    return [];
  }
}
