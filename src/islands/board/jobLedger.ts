import { readingOf, TOGETHER } from '~/core/record/runState';
import { standingEvents } from '~/core/record/standing';
import type { RunEvent } from '~/core/record/runEvents';
import type { JobLine } from '~/schema/sheets/boardSheet';
import { byWhat, GOAL_WORDS, outcomeInWords, passedInWords } from '~/schema/words/words';
import { budget, degrees } from '~/ui/figures';
import type { LedgerLine } from './ledgerLine';

/** A job's entries as lines: every step, gate, heat and correction. One that was taken back stays, and says so. */
export function jobLines(job: JobLine): LedgerLine[] {
  const { events } = job;
  const standing = new Set(standingEvents(events).map((e) => e.seq));
  const title = (stepId: string): string => job.steps[stepId] ?? stepId;
  return events.flatMap((event, i): LedgerLine[] => {
    const said = saidOf(event, i, events, title, job);
    if (!said) return [];
    const [kind, text] = said;
    return [
      {
        key: `${job.id}-${String(event.seq).padStart(6, '0')}`,
        at_ms: event.at_ms,
        by: event.by,
        siteRef: job.siteRef,
        kind,
        text,
        jobId: job.id,
        ...(standing.has(onSeqOf(events, i) ?? event.seq) ? {} : { struck: true }),
      },
    ];
  });
}

/** The heating that the end of a heat belongs to. */
function onSeqOf(events: readonly RunEvent[], i: number): number | null {
  if (events[i]!.kind !== 'heat-off') return null;
  return events.slice(0, i).findLast((e) => e.kind === 'heat-on')?.seq ?? null;
}

type Said = readonly [LedgerLine['kind'], string];

function saidOf(
  event: RunEvent,
  i: number,
  events: readonly RunEvent[],
  title: (stepId: string) => string,
  job: JobLine,
): Said | null {
  switch (event.kind) {
    case 'opened':
      return ['job', `${goalWords(job.goal)}: ${job.setting}`];
    case 'step-done': {
      const read = readingOf(event);
      const shown = read ? `, ${read}` : '';
      const where = event.where ? `, lies in ${event.where}` : '';
      return [
        event.passed ? 'passed' : 'step',
        `${title(event.stepId)}${where}${shown}${event.passed ? `. ${passedInWords(event.passed).trim()}` : ''}`,
      ];
    }
    case 'step-back':
      return ['step', `Back to: ${title(event.stepId)}`];
    case 'heat-off':
      return ['dwell', heatWords(event, i, events)];
    case 'note':
      return ['note', event.text];
    case 'correction': {
      const of = events.find((e) => e.seq === event.ofSeq);
      const what = of?.kind === 'heat-off' ? `pin ${of.pad} was off` : 'molten';
      return ['correction', `Corrected: ${what} at ${event.elapsed_s.toFixed(1)} s. ${event.reason}`];
    }
    case 'taken-back': {
      const of = events.findIndex((e) => e.seq === event.ofSeq);
      const what = of < 0 ? 'an entry' : (takenWords(events[of]!, title) ?? 'an entry');
      return ['correction', `Was not so: ${what}. ${event.reason}`];
    }
    case 'resumed':
      return ['job', 'Taken up again where it stood'];
    case 'closed': {
      const outcome = outcomeInWords(event.outcome);
      const awaits = event.awaits ? `, for ${event.awaits.what}` : '';
      const without = event.acceptedWithout ? `. Without its last looks: ${event.acceptedWithout}` : '';
      return ['closed', `Closed: ${outcome}${awaits}${event.cause ? `. ${event.cause}` : ''}${without}`];
    }
    default:
      return null;
  }
}

function heatWords(
  event: Extract<RunEvent, { kind: 'heat-off' }>,
  i: number,
  events: readonly RunEvent[],
): string {
  const on = events.slice(0, i).findLast((e) => e.kind === 'heat-on');
  const melt = events
    .slice(0, i)
    .findLast((e) => e.kind === 'melted' && e.pad === event.pad && e.seq > (on?.seq ?? 0));
  const cost = costOf(events, i, on?.seq);
  return [
    event.pad === TOGETHER ? 'All pads together' : `Pin ${event.pad}`,
    ': ',
    melt?.kind === 'melted' ? `molten at ${melt.elapsed_s.toFixed(1)} s` : 'melt not seen',
    `, off at ${event.elapsed_s.toFixed(1)} s`,
    cost
      ? `; took about ${budget(cost.padDose)} of its pad budget, pad to ${degrees(cost.peak_C)}${byWhat(cost.measured)}`
      : '',
  ].join('');
}

/** What a heating cost, as it stands; early versions did not say of which heating a cost was. */
function costOf(
  events: readonly RunEvent[],
  offAt: number,
  onSeq: number | undefined,
): Extract<RunEvent, { kind: 'exposure' }> | undefined {
  const own = standingEvents(events).find((e) => e.kind === 'exposure' && e.ofSeq === onSeq);
  const next = events.slice(offAt + 1).find((e) => e.kind === 'exposure' || e.kind === 'heat-on');
  const cost = own ?? (next?.kind === 'exposure' && next.ofSeq === undefined ? next : undefined);
  return cost?.kind === 'exposure' ? cost : undefined;
}

function takenWords(event: RunEvent, title: (stepId: string) => string): string | null {
  switch (event.kind) {
    case 'heat-on':
      return `the heating of ${event.pad === TOGETHER ? 'all pads' : `pin ${event.pad}`}`;
    case 'melted':
      return `the melt of pin ${event.pad}`;
    case 'step-done':
      return `"${title(event.stepId)}" done`;
    case 'note':
      return `the note "${event.text}"`;
    default:
      return null;
  }
}

const goalWords = (goal: string): string =>
  (GOAL_WORDS as Readonly<Record<string, string | undefined>>)[goal] ?? goal;
