import type { BoardEntry } from '~/core/record/boardEntries';
import { FACE_STATES } from '~/core/record/faceStates';
import { PAD_STATES } from '~/core/record/padStates';
import { standingFindings } from '~/core/record/standingFindings';
import type { BoardSheet } from '~/schema/sheets/boardSheet';
import type { Goal } from '~/core/method/goals';
import { plain, row, section, stampOf } from './markdown';
import {
  AWAITS_WORDS,
  constructionInWords,
  GOAL_WORDS,
  HAZARD_WORDS,
  OUTCOME_WORDS,
  outcomeInWords,
  packageInWords,
  recordInWords,
} from './words';

/**
 * A board as Markdown (CommonMark, with the tables of GitHub Flavored Markdown): what it is and came with, where it stands, what was
 * done on each part and what came of it, what was found and read, and what is left.
 */
export function boardMarkdown(sheet: BoardSheet): string {
  const { board, standing } = sheet;
  const { stage } = standing;
  const facts = [
    `${plain(board.fault)}${board.triedBefore ? ` Tried before: ${plain(board.triedBefore)}` : ''}`,
    `${constructionInWords(board.construction)}; ${recordInWords(board)}. Came on ${stampOf(board.createdAt_ms)}, taken in by ${plain(board.owner)}.`,
    stage.is === 'closed'
      ? `**Closed on ${stampOf(stage.at_ms)}: ${outcomeInWords(stage.outcome)}.**${stage.cause ? ` ${plain(stage.cause)}` : ''}`
      : stage.is === 'parked'
        ? `**Parked: ${AWAITS_WORDS[stage.entry.awaits]}, ${plain(stage.entry.what)}.**`
        : '**Open.**',
  ];
  return `${[
    `# ${plain(board.name)}`,
    ...facts,
    section(
      'Cautions',
      board.hazards.map((hazard) => `- ${HAZARD_WORDS[hazard]}`),
    ),
    section('Jobs', jobTable(sheet)),
    section('Findings that hold', findingTable(sheet)),
    section('Readings', readingTable(sheet)),
    section(
      'Left to do',
      standing.open.map(
        ({ says, settled }) =>
          `- ${plain(says)}${settled ? ` (${settled.as}: ${plain(settled.reason)})` : ''}`,
      ),
    ),
    section(
      'What happened',
      standing.entries.map((entry) => `- ${stampOf(entry.at_ms)} ${plain(entry.by)}: ${plain(said(entry))}`),
    ),
    section('Parts', partTable(sheet)),
  ]
    .filter(Boolean)
    .join('\n\n')}\n`;
}

function jobTable({ jobs }: BoardSheet): string[] {
  if (jobs.length === 0) return [];
  return [
    row(['part', 'job', 'by', 'accepted', 'setting', 'came of it']),
    row(['---', '---', '---', '---', '---', '---']),
    ...jobs.map((job) =>
      row([
        job.siteRef,
        GOAL_WORDS[job.goal as Goal],
        job.by,
        stampOf(job.acceptedAt_ms),
        job.setting,
        job.status === 'closed'
          ? `${outcomeInWords(job.outcome ?? '')}${job.cause ? `: ${job.cause}` : ''}`
          : 'under way',
      ]),
    ),
  ];
}

function findingTable({ findings, faceFindings, sites }: BoardSheet): string[] {
  const pads = new Map(
    sites.flatMap((site) => site.pads.map((pad) => [pad.id, `${site.ref}.${pad.name}`] as const)),
  );
  const onPads = standingFindings(findings).map((f) => [
    pads.get(f.padId) ?? '',
    `${PAD_STATES[f.state].name}${f.otherPadId ? ` to ${pads.get(f.otherPadId) ?? ''}` : ''}`,
    f.foundAs === 'as-received' ? 'as received' : 'done here',
    f.by,
    stampOf(f.at_ms),
    f.note,
  ]);
  const onFaces = faceFindings.map((f) => [
    `${f.side} face`,
    FACE_STATES[f.state].name,
    f.foundAs === 'as-received' ? 'as received' : 'done here',
    f.by,
    stampOf(f.at_ms),
    f.note,
  ]);
  const all = [...onPads, ...onFaces];
  if (all.length === 0) return [];
  return [
    row(['where', 'what', 'found', 'by', 'when', 'note']),
    row(['---', '---', '---', '---', '---', '---']),
    ...all.map(row),
  ];
}

function readingTable({ readings, sites }: BoardSheet): string[] {
  if (readings.length === 0) return [];
  const pads = new Map(
    sites.flatMap((site) => site.pads.map((pad) => [pad.id, `${site.ref}.${pad.name}`] as const)),
  );
  return [
    row(['between', 'shown', 'verdict', 'by', 'when']),
    row(['---', '---', '---', '---', '---']),
    ...readings.map((r) =>
      row([
        `${pads.get(r.padId) ?? ''} and ${pads.get(r.otherPadId) ?? ''}`,
        r.value_Ohm === null ? 'open' : `${r.value_Ohm} Ω`,
        r.verdict,
        r.by,
        stampOf(r.at_ms),
      ]),
    ),
  ];
}

function partTable({ sites, standing }: BoardSheet): string[] {
  if (sites.length === 0) return [];
  return [
    row(['part', 'value', 'outline', 'face', 'x, mm', 'y, mm', 'there']),
    row(['---', '---', '---', '---', '---', '---', '---']),
    ...sites.map((site) =>
      row([
        site.ref,
        site.value,
        packageInWords(site.package),
        site.side,
        site.x_mm.toFixed(1),
        site.y_mm.toFixed(1),
        standing.occupancies[site.id]?.kind ?? '',
      ]),
    ),
  ];
}

/** An entry of a board in one line. */
function said(entry: BoardEntry): string {
  switch (entry.kind) {
    case 'part':
      return `part told to be ${entry.is}${entry.what ? `, ${entry.what}` : ''}${entry.where ? `, ${entry.where}` : ''}`;
    case 'settled':
      return `${entry.as}: ${entry.says} (${entry.reason})`;
    case 'tested':
      return `tested, ${entry.passed ? 'passed' : 'failed'}: ${entry.how}`;
    case 'parked':
      return `parked: ${AWAITS_WORDS[entry.awaits]}, ${entry.what}`;
    case 'resumed':
      return 'taken up again';
    case 'handed-back':
      return `handed back, ${OUTCOME_WORDS[entry.outcome]}${entry.cause ? `: ${entry.cause}` : ''}`;
    case 'scrapped':
      return `scrapped: ${entry.cause}`;
    case 'reopened':
      return `opened again: ${entry.reason}`;
    case 'clock-started':
      return `clock begun: ${entry.clock}${entry.what ? `, ${entry.what}` : ''}`;
    case 'clock-moved':
      return `clock moved: ${entry.reason}`;
    case 'clock-ended':
      return `clock ended${entry.reason ? `: ${entry.reason}` : ''}`;
  }
}
