import { refusal } from '~/core/record/refusal';
import type { RunEvent, RunEventBody } from '~/core/record/runEvents';
import { runState, type RunStep } from '~/core/record/runState';
import type { UnsentEntry } from '~/schema/records/jobs/unsent';

/** An entry made here that cannot follow what the record holds now: kept in sight until a person decides. */
export interface SetAside extends UnsentEntry {
  readonly reason: string;
}

/** What this screen wrote and the server has not: in the order of the presses, and what was set aside. */
export interface Outbox {
  readonly unsent: readonly UnsentEntry[];
  readonly aside: readonly SetAside[];
}

export const EMPTY_OUTBOX: Outbox = { unsent: [], aside: [] };

/** Why the server did not take an entry. */
export type Refused =
  /** Others wrote first: their entries come with it. */
  | { readonly kind: 'others-first'; readonly events: readonly RunEvent[] }
  /** The entry itself is not taken, whoever wrote what. */
  | { readonly kind: 'not-taken'; readonly reason: string };

// Whoever holds an outbox among other things gets nothing but the outbox back.
export const added = ({ unsent, aside }: Outbox, entry: UnsentEntry): Outbox => ({
  unsent: [...unsent, entry],
  aside,
});

export const acknowledged = ({ unsent, aside }: Outbox, clientId: string): Outbox => ({
  unsent: unsent.filter((u) => u.clientId !== clientId),
  aside,
});

/** What was kept through a reload comes before what was pressed since; nothing stands twice. */
export function restored(box: Outbox, kept: Outbox): Outbox {
  const known = new Set([...box.unsent, ...box.aside].map((u) => u.clientId));
  const fresh = <Entry extends UnsentEntry>(entries: readonly Entry[]): Entry[] =>
    entries.filter((u) => !known.has(u.clientId));
  return { unsent: [...fresh(kept.unsent), ...box.unsent], aside: [...fresh(kept.aside), ...box.aside] };
}

/** After a refusal of the first in line: what may still follow stays to be sent, what may not is set aside with its reason. */
export function refused({ unsent, aside }: Outbox, steps: readonly RunStep[], why: Refused): Outbox {
  const [first, ...others] = unsent;
  if (!first) return { unsent, aside };
  if (why.kind === 'not-taken')
    return { unsent: others, aside: [...aside, { ...first, reason: why.reason }] };
  return sorted({ unsent, aside }, steps, why.events);
}

/** What may follow the entries that the record holds; each is judged with those before it that may. */
function sorted({ unsent, aside }: Outbox, steps: readonly RunStep[], events: readonly RunEvent[]): Outbox {
  const kept: UnsentEntry[] = [];
  const told: RunEvent[] = [...events];
  const out: SetAside[] = [];
  for (const entry of unsent) {
    const reason = refusal(runState(steps, told), steps, entry.event, told);
    if (reason !== null) {
      out.push({ ...entry, reason });
      continue;
    }
    kept.push(entry);
    told.push(provisional(entry, told));
  }
  return { unsent: kept, aside: [...aside, ...out] };
}

/** An entry as it will stand once it is written. */
export const provisional = (entry: UnsentEntry, before: readonly RunEvent[]): RunEvent => ({
  ...(entry.event as RunEventBody),
  seq: (before.at(-1)?.seq ?? 0) + 1,
  at_ms: entry.at_ms,
  by: entry.by,
});

/** What was set aside goes back into the line under a number of its own, with the time that it was pressed at. */
export function enteredAgain(box: Outbox, clientId: string, newId: string): Outbox {
  const entry = box.aside.find((u) => u.clientId === clientId);
  if (!entry) return dropped(box, clientId);
  const { reason: _reason, ...rest } = entry;
  return added(dropped(box, clientId), { ...rest, clientId: newId });
}

export const dropped = ({ unsent, aside }: Outbox, clientId: string): Outbox => ({
  unsent,
  aside: aside.filter((u) => u.clientId !== clientId),
});
