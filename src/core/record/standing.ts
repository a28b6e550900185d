import type { RunEvent } from './runEvents';

/** Kinds of entry that may be taken back: what a hand can press by mistake. */
const RETRACTABLE: ReadonlySet<RunEvent['kind']> = new Set(['heat-on', 'melted', 'note', 'step-done']);

/**
 * The entries of a job that still hold. Those that were taken back are left out with what followed from them; what a
 * heating was reckoned to cost is left out once its end was corrected, for a later entry has it anew.
 */
export function standingEvents(events: readonly RunEvent[]): readonly RunEvent[] {
  const back = new Set(events.flatMap((e) => (e.kind === 'taken-back' ? [e.ofSeq] : [])));
  const recost = new Map(events.flatMap((e) => (e.kind === 'correction' ? [[e.ofSeq, e.seq] as const] : [])));
  if (back.size === 0 && recost.size === 0) return events;
  /** The heating that entries belong to, and the correction of its end. */
  let onSeq = 0;
  let correctedBy = 0;
  return events.filter((event) => {
    switch (event.kind) {
      case 'heat-on':
        onSeq = event.seq;
        correctedBy = 0;
        return !back.has(onSeq);
      case 'melted':
        return !back.has(onSeq) && !back.has(event.seq);
      case 'heat-off':
        correctedBy = recost.get(event.seq) ?? 0;
        return !back.has(onSeq);
      case 'exposure':
        return event.ofSeq === undefined || event.ofSeq === onSeq
          ? !back.has(onSeq) && event.seq > correctedBy
          : !back.has(event.ofSeq);
      default:
        return !back.has(event.seq);
    }
  });
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
