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
  const still = standingEvents(events);
  const standing = new Set(still.map((e) => e.seq));
  const costs = costsOf(still);
  const title = (stepId: string): string => job.steps[stepId] ?? stepId;
  return events.flatMap((event, i): LedgerLine[] => {
    const said = saidOf(event, i, job, title, costs);
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
  job: JobLine,
  title: (stepId: string) => string,
  costs: ReadonlyMap<number, Exposure>,
): Said | null {
  const { events } = job;
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
      return ['dwell', heatWords(event, i, events, costs)];
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
  costs: ReadonlyMap<number, Exposure>,
): string {
  const on = events.slice(0, i).findLast((e) => e.kind === 'heat-on');
  const melt = events
    .slice(0, i)
    .findLast((e) => e.kind === 'melted' && e.pad === event.pad && e.seq > (on?.seq ?? 0));
  const cost = costs.get(on?.seq ?? 0);
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

type Exposure = Extract<RunEvent, { kind: 'exposure' }>;

/** What each heating cost, as it stands, by the entry that began it; early versions did not say of which one a cost was. */
function costsOf(standing: readonly RunEvent[]): ReadonlyMap<number, Exposure> {
  const costs = new Map<number, Exposure>();
  let onSeq = 0;
  for (const event of standing) {
    if (event.kind === 'heat-on') onSeq = event.seq;
    if (event.kind !== 'exposure') continue;
    const of = event.ofSeq ?? onSeq;
    if (!costs.has(of)) costs.set(of, event);
  }
  return costs;
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
