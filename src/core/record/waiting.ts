import { CLOCKS, type BoardClock, type ClockKind } from './boardClock';
import { clockInWords, type BoardStage } from './boardEntries';
import type { Outcome } from './outcomes';
import type { SettledItem } from './openItem';
import type { JobTrace } from './occupancy';
import { runState } from './runState';

/** What a board waits for; the bench is sorted by it. */
export const WAITING_FOR = [
  'you',
  'heat',
  'drying',
  'cure',
  'parts',
  'answer',
  'time',
  'owner',
  'closed',
] as const;
export type WaitingFor = (typeof WAITING_FOR)[number];

export interface Waiting {
  readonly waitingFor: WaitingFor;
  readonly nextAction: string;
  readonly outcome: Outcome | null;
}

/** What a board waits for while nothing but a clock is left of it. */
const WAITS: Readonly<Record<ClockKind, WaitingFor>> = {
  'pre-warm': 'heat',
  soak: 'heat',
  'cool-down': 'heat',
  solvent: 'drying',
  wash: 'drying',
  oven: 'drying',
  cure: 'cure',
  'soak-test': 'time',
  'come-back': 'time',
};

const AWAITED = { part: 'Await', answer: 'Await an answer:', time: 'Come back:' } as const;

/**
 * What a board waits for and what is done next, from where it stands and from all that is open on it, never from the
 * last job alone. A parked board waits for what it was parked for; a clock of its own is waited for before what is open
 * beside it; one with nothing open waits for its owner.
 */
export function waitingOf(
  stage: BoardStage,
  open: readonly SettledItem[],
  jobs: readonly JobTrace[],
  sites: readonly { readonly ref: string }[],
  clocks: readonly BoardClock[] = [],
): Waiting {
  if (stage.is === 'closed') return { waitingFor: 'closed', nextAction: '', outcome: stage.outcome };
  const waits = (waitingFor: WaitingFor, nextAction: string): Waiting => ({
    waitingFor,
    nextAction: nextAction.slice(0, 200),
    outcome: null,
  });
  if (stage.is === 'parked')
    return waits(
      stage.entry.awaits === 'part' ? 'parts' : stage.entry.awaits,
      `${AWAITED[stage.entry.awaits]} ${stage.entry.what}`,
    );
  const first = open.find((item) => item.settled === null);
  if (first?.kind === 'job') {
    const job = jobs.find((j) => j.id === first.jobId)!;
    const step = job.steps[runState(job.steps, job.events).stepIndex];
    return waits(step?.kind === 'wait' ? (/dry$/.test(step.id) ? 'drying' : 'heat') : 'you', first.next);
  }
  const next = clocks
    .filter((c) => c.ended_ms === null)
    .reduce<BoardClock | null>((a, b) => (a && a.due_ms <= b.due_ms ? a : b), null);
  if (next) return waits(WAITS[next.kind], `${clockInWords(next)}; then: ${CLOCKS[next.kind].then}`);
  if (first) return waits('you', first.next);
  if (jobs.length > 0 || open.length > 0) return waits('owner', 'Hand it back');
  if (sites.length === 0) return waits('you', 'Place the site to work on');
  return waits('you', sites.length === 1 ? `Plan ${sites[0]!.ref}` : 'Choose the site to work on');
}
