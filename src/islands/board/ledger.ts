import type { FaceFindingRecord } from '~/schema/records/board/faceFinding';
import { FACE_STATES } from '~/core/record/faceStates';
import { placeInWords } from '~/ui/face/facePlaces';
import { PAD_STATES } from '~/core/record/padStates';
import { clockInWords, type BoardEntry } from '~/core/record/boardEntries';
import { OCCUPANCIES } from '~/core/record/occupancy';
import { standingFindings } from '~/core/record/standingFindings';
import type { BoardSheet, SiteSheet } from '~/schema/sheets/boardSheet';
import type { ImportRecord } from '~/schema/records/board/boardImport';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';
import { AWAITS_WORDS, OUTCOME_WORDS } from '~/schema/words/words';
import { day, dayAndTime } from '~/ui/dates';
import { clockText } from '~/ui/figures';
import { jobLines } from './jobLedger';
import type { LedgerLine } from './ledgerLine';

/** Everything that happened to a board, newest first. */
export function ledger(
  sheet: Pick<BoardSheet, 'jobs' | 'sites' | 'imports' | 'readings'> &
    Partial<Pick<BoardSheet, 'faceFindings'>>,
  findings: readonly FindingRecord[],
  entries: readonly BoardEntry[] = [],
): LedgerLine[] {
  const standing = new Set(standingFindings(findings).map((f) => f.id));
  const lines: LedgerLine[] = [
    ...sheet.jobs.flatMap(jobLines),
    ...findings.map((f): LedgerLine => ({
      ...findingLine(f, sheet.sites),
      ...(standing.has(f.id) || f.takesBackId !== null ? {} : { struck: true }),
    })),
    ...entries.map((entry) => entryLine(entry, sheet.sites)),
    ...sheet.imports.flatMap(importLines),
    ...readingLines(sheet.readings, sheet.sites),
    ...(sheet.faceFindings ?? []).map(faceLine),
  ];
  return lines.sort((a, b) => b.at_ms - a.at_ms || b.key.localeCompare(a.key));
}

/** What was written of the board as a whole, and of parts outside of a job. */
const signed = ({ signedBy }: { readonly signedBy?: string | undefined }): string =>
  signedBy === undefined ? '' : ` · signed by ${signedBy}`;

function entryLine(entry: BoardEntry, sites: readonly SiteSheet[]): LedgerLine {
  const line = (kind: LedgerLine['kind'], text: string, siteRef = 'board'): LedgerLine => ({
    key: entry.id,
    at_ms: entry.at_ms,
    by: entry.by,
    siteRef,
    kind,
    text,
    jobId: null,
  });
  switch (entry.kind) {
    case 'part': {
      const detail = entry.what || entry.where;
      return line(
        'note',
        `There now: ${OCCUPANCIES[entry.is].name}${detail ? `, ${detail}` : ''}`,
        sites.find((s) => s.id === entry.siteId)?.ref ?? '?',
      );
    }
    case 'settled':
      return line(
        'passed',
        `${entry.as === 'deferred' ? 'Deferred' : 'Accepted as it is'}: ${entry.says}. ${entry.reason}${signed(entry)}`,
      );
    case 'tested':
      return line(
        entry.passed ? 'reading' : 'defect',
        `Tested, ${entry.passed ? 'worked every time' : 'did not work every time'}: ${entry.how}`,
      );
    case 'parked':
      return line(
        'closed',
        `Parked for ${AWAITS_WORDS[entry.awaits]}: ${entry.what}${entry.due_ms === null ? '' : `, expected ${day(entry.due_ms)}`}`,
      );
    case 'resumed':
      return line('job', 'Taken up again');
    case 'handed-back':
      return line(
        'closed',
        `Handed back: ${OUTCOME_WORDS[entry.outcome]}${entry.cause ? `. ${entry.cause}` : ''}${signed(entry)}`,
      );
    case 'scrapped':
      return line('closed', `Scrapped. ${entry.cause}`);
    case 'clock-started':
      return line(
        'step',
        `Clock started: ${clockInWords({ kind: entry.clock, what: entry.what })}, ${clockText(entry.length_s * 1000)}`,
        sites.find((s) => s.id === entry.siteId)?.ref,
      );
    case 'clock-moved':
      return line('correction', `A clock ends ${dayAndTime(entry.due_ms)} instead. ${entry.reason}`);
    case 'clock-ended':
      return line(
        entry.reason ? 'passed' : 'step',
        `Clock ended${entry.reason ? ` early: ${entry.reason}` : ''}`,
      );
    case 'reopened':
      return line('job', `Opened again. ${entry.reason}`);
  }
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
    letter: state.letter,
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
  const taken = finding.takesBackId !== null;
  return {
    key: finding.id,
    at_ms: finding.at_ms,
    by: finding.by,
    siteRef: site?.ref ?? '?',
    kind: taken ? 'correction' : PAD_STATES[finding.state].defect ? 'defect' : 'finding',
    letter: PAD_STATES[finding.state].letter,
    text: taken
      ? `Was not so: ${pin} ${PAD_STATES[finding.state].name.toLowerCase()}. ${finding.note}`
      : `${pin.charAt(0).toUpperCase()}${pin.slice(1)}: ${PAD_STATES[finding.state].name.toLowerCase()}${other}${received}${finding.note ? `. ${finding.note}` : ''}`,
    jobId: finding.jobId,
  };
}
