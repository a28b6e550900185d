import type { FaceFindingRecord } from '~/schema/records/board/faceFinding';
import { FACE_STATES } from '~/core/record/faceStates';
import { placeInWords } from '~/ui/face/facePlaces';
import { PAD_STATES } from '~/core/record/padStates';
import { TOGETHER } from '~/core/record/runState';
import type { BoardSheet, JobLine, SiteSheet } from '~/schema/sheets/boardSheet';
import type { ImportRecord } from '~/schema/records/board/boardImport';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';
import { GOAL_WORDS } from '~/schema/words/words';
import { budget, degrees } from '~/ui/figures';

/** One line of a board's history. */
export interface LedgerLine {
  readonly key: string;
  readonly at_ms: number;
  readonly by: string;
  readonly siteRef: string;
  readonly text: string;
  readonly kind:
    'import' | 'reading' | 'job' | 'dwell' | 'defect' | 'finding' | 'note' | 'closed' | 'correction';
  readonly jobId: string | null;
}

/** Everything that happened to a board, newest first. */
export function ledger(
  sheet: Pick<BoardSheet, 'jobs' | 'sites' | 'imports' | 'readings'> &
    Partial<Pick<BoardSheet, 'faceFindings'>>,
  findings: readonly FindingRecord[],
): LedgerLine[] {
  const lines = [
    ...sheet.jobs.flatMap(jobLines),
    ...findings.map((f) => findingLine(f, sheet.sites)),
    ...sheet.imports.flatMap(importLines),
    ...readingLines(sheet.readings, sheet.sites),
    ...(sheet.faceFindings ?? []).map(faceLine),
  ];
  return lines.sort((a, b) => b.at_ms - a.at_ms || b.key.localeCompare(a.key));
}

function jobLines(job: JobLine): LedgerLine[] {
  const line = (event: JobLine['events'][number], kind: LedgerLine['kind'], text: string): LedgerLine => ({
    key: `${job.id}-${String(event.seq).padStart(6, '0')}`,
    at_ms: event.at_ms,
    by: event.by,
    siteRef: job.siteRef,
    kind,
    text,
    jobId: job.id,
  });
  const melts = new Map<string, number>();
  return job.events.flatMap((event, i) => {
    switch (event.kind) {
      case 'opened':
        return [line(event, 'job', `${goalWords(job.goal)}: ${job.setting}`)];
      case 'melted':
        melts.set(event.pad, event.elapsed_s);
        return [];
      case 'heat-off': {
        const melted_s = melts.get(event.pad);
        melts.delete(event.pad);
        const melt = melted_s === undefined ? 'melt not seen' : `molten at ${melted_s.toFixed(1)} s`;
        const heat = job.events[i + 1];
        const cost =
          heat?.kind === 'exposure'
            ? `; took about ${budget(heat.padDose)} of its pad budget, land to ${degrees(heat.peak_C)}`
            : '';
        return [
          line(
            event,
            'dwell',
            `${event.pad === TOGETHER ? 'All pads together' : `Pin ${event.pad}`}: ${melt}, off at ${event.elapsed_s.toFixed(1)} s${cost}`,
          ),
        ];
      }
      case 'note':
        return [line(event, 'note', event.text)];
      case 'correction':
        return [
          line(
            event,
            'correction',
            `Correction of entry ${event.ofSeq}: molten at ${event.elapsed_s.toFixed(1)} s. ${event.reason}`,
          ),
        ];
      case 'closed':
        return [line(event, 'closed', `Closed: ${event.outcome}${event.cause ? `. ${event.cause}` : ''}`)];
      default:
        return [];
    }
  });
}

function faceLine(finding: FaceFindingRecord): LedgerLine {
  const state = FACE_STATES[finding.state];
  const received = finding.foundAs === 'as-received' ? ', as received' : '';
  return {
    key: finding.id,
    at_ms: finding.at_ms,
    by: finding.by,
    siteRef: finding.side,
    kind: state.defect ? 'defect' : 'finding',
    text: `${placeInWords(finding)}: ${state.name.toLowerCase()}${received}${finding.note ? `. ${finding.note}` : ''}`,
    jobId: null,
  };
}

/** A checklist's readings as one line for each sitting; what failed or is doubtful has been told apart. */
function readingLines(
  readings: readonly ContinuityReadingRecord[],
  sites: readonly SiteSheet[],
): LedgerLine[] {
  const sittings: ContinuityReadingRecord[][] = [];
  for (const reading of readings) {
    const open = sittings.findLast((s) => s[0]!.siteId === reading.siteId && s[0]!.by === reading.by);
    const last = open?.at(-1);
    if (open && last && reading.at_ms - last.at_ms < SITTING_ms) open.push(reading);
    else sittings.push([reading]);
  }
  return sittings.map((sitting) => {
    const last = sitting.at(-1)!;
    const count = (verdict: ContinuityReadingRecord['verdict']): number =>
      sitting.filter((r) => r.verdict === verdict).length;
    return {
      key: last.id,
      at_ms: last.at_ms,
      by: last.by,
      siteRef: sites.find((s) => s.id === last.siteId)?.ref ?? '?',
      kind: 'reading',
      text: `Continuity: ${sitting.length} read, ${count('good')} good, ${count('bad')} failed${count('doubtful') ? `, ${count('doubtful')} doubtful` : ''}`,
      jobId: null,
    };
  });
}

/** Readings further apart than this are another sitting. */
const SITTING_ms = 30 * 60_000;

function importLines(record: ImportRecord): LedgerLine[] {
  const line = (at_ms: number, text: string): LedgerLine => ({
    key: `${record.id}-${at_ms}`,
    at_ms,
    by: record.by,
    siteRef: '',
    kind: 'import',
    text,
    jobId: null,
  });
  const count = record.siteIds.length;
  const what = `${count} ${count === 1 ? 'part' : 'parts'} from ${record.files.map((file) => file.name).join(', ')}`;
  return [
    line(record.at_ms, `Imported ${what}`),
    ...(record.undoneAt_ms === null ? [] : [line(record.undoneAt_ms, `Import undone: ${what}`)]),
  ];
}

const goalWords = (goal: string): string => (GOAL_WORDS as Readonly<Record<string, string>>)[goal] ?? goal;

function findingLine(finding: FindingRecord, sites: readonly SiteSheet[]): LedgerLine {
  const site = sites.find((s) => s.id === finding.siteId);
  const padName = (id: string): string => {
    const owner = sites.find((s) => s.pads.some((p) => p.id === id));
    const name = owner?.pads.find((p) => p.id === id)?.name ?? '?';
    return owner && owner.id !== finding.siteId ? `${owner.ref} pin ${name}` : `pin ${name}`;
  };
  const other = finding.otherPadId ? ` with ${padName(finding.otherPadId)}` : '';
  const received = finding.foundAs === 'as-received' ? ', as received' : '';
  const pin = padName(finding.padId);
  return {
    key: finding.id,
    at_ms: finding.at_ms,
    by: finding.by,
    siteRef: site?.ref ?? '?',
    kind: PAD_STATES[finding.state].defect ? 'defect' : 'finding',
    text: `${pin.charAt(0).toUpperCase()}${pin.slice(1)}: ${PAD_STATES[finding.state].name.toLowerCase()}${other}${received}${finding.note ? `. ${finding.note}` : ''}`,
    jobId: finding.jobId,
  };
}
