import type { RunEvent } from './runEvents';

/** Kinds of entry that may be taken back: what a hand can press by mistake. */
const RETRACTABLE: ReadonlySet<RunEvent['kind']> = new Set(['heat-on', 'melted', 'note', 'step-done']);

/**
 * The entries of a job that still hold. Those that were taken back are left out with what followed from them; what a
 * heating was reckoned to cost is left out once its end was corrected, or once it was reckoned from what was measured, for a
 * later entry has it anew.
 */
export function standingEvents(events: readonly RunEvent[]): readonly RunEvent[] {
  const back = new Set(events.flatMap((e) => (e.kind === 'taken-back' ? [e.ofSeq] : [])));
  const anew = costedAnew(events);
  if (back.size === 0 && anew.size === 0) return events;
  /** The heating that entries belong to. */
  let onSeq = 0;
  return events.filter((event) => {
    switch (event.kind) {
      case 'heat-on':
        onSeq = event.seq;
        return !back.has(onSeq);
      case 'melted':
        return !back.has(onSeq) && !back.has(event.seq);
      case 'heat-off':
        return !back.has(onSeq);
      case 'exposure': {
        const of = event.ofSeq ?? onSeq;
        return !back.has(of) && event.seq >= (anew.get(of) ?? 0);
      }
      default:
        return !back.has(event.seq);
    }
  });
}

/** Heatings whose cost was, or has to be, reckoned anew, with the entry from which on it counts. */
function costedAnew(events: readonly RunEvent[]): ReadonlyMap<number, number> {
  const anew = new Map<number, number>();
  /** Heatings by the entry that ended them. */
  const endedBy = new Map<number, number>();
  const measured = new Set<number>();
  let onSeq = 0;
  for (const event of events) {
    if (event.kind === 'heat-on') onSeq = event.seq;
    if (event.kind === 'heat-off') endedBy.set(event.seq, onSeq);
    if (event.kind === 'correction') {
      const of = endedBy.get(event.ofSeq);
      if (of === undefined) continue;
      anew.set(of, event.seq);
      measured.delete(of);
    }
    if (event.kind !== 'exposure' || !event.measured) continue;
    const of = event.ofSeq ?? onSeq;
    // Pads that were heated together have an entry each, one after another: the first of them is where it begins.
    if (!measured.has(of)) anew.set(of, event.seq);
    measured.add(of);
  }
  return anew;
}

/** Why an entry may not be taken back; null where it may. */
export function retractRefusal(events: readonly RunEvent[], ofSeq: number): string | null {
  const event = events.find((e) => e.seq === ofSeq);
  if (!event || !RETRACTABLE.has(event.kind))
    return 'only a heating, a melt, a note or a step can be taken back';
  if (!standingEvents(events).some((e) => e.seq === ofSeq)) return 'that entry was taken back already';
  const heat = events.findLast((e) => e.kind === 'heat-on' || e.kind === 'heat-off');
  return event.kind === 'heat-on' && heat?.seq === ofSeq ? 'it is still under heat; take it off first' : null;
}
