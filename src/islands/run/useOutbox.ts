import { useStore } from '@nanostores/react';
import { useEffect, useRef, type Dispatch } from 'react';
import type { RunEvent } from '~/core/record/runEvents';
import type { RunStep } from '~/core/record/runState';
import { MOST_AGO_ms } from '~/schema/values/ago';
import type { AppendRequest } from '~/schema/records/jobs/runEvent';
import { ApiError, getJson, postJson } from '~/ui/api';
import { $by, $signedIn } from '~/ui/preferences';
import { $jobAt } from '~/islands/live/liveStore';
import { refreshRail } from '~/islands/rail/railStore';
import type { Refused } from './outbox';
import { keepOutbox, readOutbox } from './outboxStore';
import type { RunAction, RunViewState } from './state';
import { steadyNow_ms } from '~/ui/steadyNow';

interface EventsAnswer {
  readonly events: readonly RunEvent[];
  readonly now_ms: number;
}

const RETRY_ms = 2000;
const CATCH_UP_ms = 4000;
/** What a heating cost is the server's own entry, some moments after its end. */
const COST_DUE_ms = 700;

/** Refusals that time mends: nothing is wrong with the entry. */
const PASSING: ReadonlySet<ApiError['kind']> = new Set([
  'offline',
  'internal',
  'busy',
  'disk-full',
  'signed-out',
]);

/**
 * Sends entries one after another, and keeps what is unsent in the browser so that neither a reload
 * nor a stopped server loses a press. Another screen's entries come in while nothing is waiting.
 */
export function useOutbox(
  jobId: string,
  steps: readonly RunStep[],
  state: RunViewState,
  costDue: boolean,
  dispatch: Dispatch<RunAction>,
): void {
  const sending = useRef(false);
  const skew = useRef(state.skew_ms);
  useEffect(() => {
    skew.current = state.skew_ms;
  }, [state.skew_ms]);
  const restored = useRef(false);
  const url = `/api/jobs/${jobId}/events`;
  const { unsent, aside } = state;

  useEffect(() => {
    void readOutbox(jobId).then((kept) => {
      restored.current = true;
      dispatch({ type: 'restored', kept });
    });
  }, [jobId, dispatch]);

  useEffect(() => {
    if (restored.current) keepOutbox(jobId, { unsent, aside });
  }, [jobId, unsent, aside]);

  const by = useStore($by);
  const next = unsent[0];
  const afterSeq = state.events.at(-1)?.seq ?? 0;
  useEffect(() => {
    if (!next || sending.current) return;
    // Nobody's press is written under another's name.
    if ($signedIn.get() && next.by !== by) {
      if (by) dispatch({ type: 'refused', steps, why: { kind: 'not-taken', reason: pressedBy(next.by) } });
      return;
    }
    let timer: ReturnType<typeof setTimeout> | undefined;
    const send = (): void => {
      sending.current = true;
      const body: AppendRequest = {
        clientId: next.clientId,
        afterSeq,
        by: next.by,
        event: next.event,
        ago_ms: Math.min(MOST_AGO_ms, Math.max(0, Math.round(steadyNow_ms() + skew.current - next.at_ms))),
      };
      postJson<EventsAnswer>(url, body).then(
        ({ events, now_ms }) => {
          sending.current = false;
          refreshRail().catch(() => undefined);
          dispatch({
            type: 'acknowledged',
            clientId: next.clientId,
            events,
            skew_ms: now_ms - steadyNow_ms(),
          });
        },
        (error: unknown) => {
          sending.current = false;
          if (error instanceof ApiError && PASSING.has(error.kind)) {
            dispatch({ type: 'waits', because: waitWords(error) });
            timer = setTimeout(send, RETRY_ms);
          } else dispatch({ type: 'refused', steps, why: whyRefused(error, afterSeq) });
        },
      );
    };
    send();
    return () => clearTimeout(timer);
    // An entry is sent again only once the record it is to follow is another.
  }, [next?.clientId, afterSeq, url, by, dispatch]);

  const idle = unsent.length === 0;
  // Another screen wrote: told within a moment, and asked for now and then in case that line is broken.
  const told = useStore($jobAt);
  const behind = told?.jobId === jobId && told.seq > afterSeq;
  useEffect(() => {
    if (!idle || !behind) return;
    getJson<EventsAnswer>(url).then(
      ({ events, now_ms }) => dispatch({ type: 'caught-up', events, skew_ms: now_ms - steadyNow_ms() }),
      () => undefined,
    );
  }, [idle, behind, told?.seq, url, dispatch]);
  useEffect(() => {
    if (!idle) return;
    const timer = setInterval(
      () => {
        if (document.hidden) return;
        getJson<EventsAnswer>(url).then(
          ({ events, now_ms }) => dispatch({ type: 'caught-up', events, skew_ms: now_ms - steadyNow_ms() }),
          () => undefined,
        );
      },
      costDue ? COST_DUE_ms : CATCH_UP_ms,
    );
    return () => clearInterval(timer);
  }, [idle, costDue, url, dispatch]);
}

const pressedBy = (by: string): string =>
  `${by} pressed this and is signed in here no more; sign in as ${by} and enter it again`;

/** Others were first where the record has gone on since what this screen knew; else the entry itself is not taken. */
function whyRefused(error: unknown, afterSeq: number): Refused {
  const reason = error instanceof Error ? error.message : String(error);
  const events =
    error instanceof ApiError
      ? (error.current as { events?: readonly RunEvent[] } | null)?.events
      : undefined;
  return events && (events.at(-1)?.seq ?? 0) > afterSeq
    ? { kind: 'others-first', events }
    : { kind: 'not-taken', reason };
}

const waitWords = (error: ApiError): string =>
  error.kind === 'offline' ? 'the bench computer does not answer' : error.message;
