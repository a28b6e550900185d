import type { BoardEntry } from '~/core/record/boardEntries';

/** One stay of a board at the bench, from its coming in to its going back. */
export interface Stay {
  readonly from_ms: number;
  readonly until_ms: number;
  /** Of it, parked for something. */
  readonly parked_ms: number;
}

/** The stays of a board that are over, by its entries in order; what is in now is none yet. */
export function staysOf(created_ms: number, entries: readonly BoardEntry[]): Stay[] {
  const stays: Stay[] = [];
  let from_ms: number | null = created_ms;
  let [parked_ms, since_ms]: [number, number | null] = [0, null];
  for (const { kind, at_ms } of entries) {
    if (kind === 'reopened') [from_ms, parked_ms, since_ms] = [at_ms, 0, null];
    if (kind === 'parked') since_ms ??= at_ms;
    if (kind !== 'resumed' && kind !== 'handed-back' && kind !== 'scrapped') continue;
    if (since_ms !== null) parked_ms += at_ms - since_ms;
    since_ms = null;
    if (kind === 'resumed' || from_ms === null) continue;
    stays.push({ from_ms, until_ms: at_ms, parked_ms });
    from_ms = null;
  }
  return stays;
}

/** What a board is parked for now, with when it is expected; null where it is not. */
export function parkedFor(
  entries: readonly BoardEntry[],
): { readonly what: string; readonly due_ms: number | null } | null {
  const last = entries.findLast((e) => ['parked', 'resumed', 'handed-back', 'scrapped'].includes(e.kind));
  return last?.kind === 'parked' ? { what: last.what, due_ms: last.due_ms } : null;
}
