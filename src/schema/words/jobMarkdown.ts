import { PAD_STATES } from '~/core/record/padStates';
import { compareHeats, type HeatCompared } from '~/core/record/planned';
import { runState } from '~/core/record/runState';
import { standingEvents } from '~/core/record/standing';
import { standingFindings } from '~/core/record/standingFindings';
import { plannedHeatsOf } from '~/schema/records/jobs/plannedHeats';
import type { RunSheet } from '~/schema/sheets/runSheet';
import { plain, row, section, stampOf } from './markdown';
import { settingInWords } from './settingWords';
import { byWhat, GOAL_WORDS, outcomeInWords, passedInWords, PHASE_WORDS } from './words';

/** What is read of a log beside a job's own entries. */
export interface LogTold {
  readonly title: string;
  readonly origin: 'instruments' | 'file';
  readonly simulated: boolean;
  readonly peaks: readonly { readonly name: string; readonly peak_C: number | null }[];
}

/**
 * A job as Markdown (CommonMark, with the tables of GitHub Flavored Markdown). Before anything was done it is its traveller:
 * what will be done and what of, with room to tick; afterwards its report: planned beside actual, gates, findings,
 * readings, curves, and what is left.
 */
export function jobMarkdown(sheet: RunSheet, logs: readonly LogTold[]): string {
  const { job, events, site, board } = sheet;
  const { steps } = job.plan;
  const state = runState(steps, events);
  const begun = state.done.size > 0 || state.dwells.length > 0;
  const heading = `# ${begun ? 'Report' : 'Traveller'}: ${plain(site.ref)}, ${plain(board.name)}`;
  const facts = [
    `${GOAL_WORDS[job.goal]}. Accepted by ${plain(job.by)} on ${stampOf(job.acceptedAt_ms)}, model ${job.modelVersion}.`,
    state.status === 'closed'
      ? `Closed: ${outcomeInWords(state.outcome ?? '')}.${job.cause ? ` ${plain(job.cause)}` : ''}`
      : begun
        ? 'Still under way.'
        : 'Not begun.',
    ...job.plan.phases.map((phase) => `**${PHASE_WORDS[phase.phase]}:** ${settingInWords(phase.chosen)}`),
  ];
  const cautions = job.plan.cautions.map(({ text }) => `- ${plain(text)}`);
  const parts = begun
    ? [
        section('Heats', heatsTable(compareHeats(plannedHeatsOf(job.plan), state.dwells))),
        section('Steps', doneTable(sheet)),
        section('Findings', findingsList(sheet)),
        section('Temperatures', logs.map(logLine)),
        section('Notes and corrections', notesList(sheet)),
        section(
          'Not done',
          steps.filter((s) => !state.done.has(s.id)).map((s) => `- ${plain(s.title)}`),
        ),
      ]
    : [
        section('Cautions', cautions),
        section(
          'Steps',
          steps.map((s) => `- [ ] **${plain(s.title)}** ${plain(s.detail)}`),
        ),
      ];
  const used = job.plan.consumption.map((c) => `- ${plain(c.name)}: ${amountOf(c)}`);
  return `${[heading, ...facts, ...parts, section(begun ? 'Used' : 'To be used', used)].filter(Boolean).join('\n\n')}\n`;
}

const seconds = (value: number | null | undefined): string => (value == null ? '–' : `${value.toFixed(1)} s`);
const percent = (share: number | null | undefined): string =>
  share == null ? '–' : `${(100 * share).toFixed(1)} %`;

function heatsTable(lines: readonly HeatCompared[]): string[] {
  if (lines.length === 0) return [];
  return [
    '| heat | melt planned | melt | stop | off | budget planned | taken | how it went |',
    '| --- | --- | --- | --- | --- | --- | --- | --- |',
    ...lines.map(({ planned, dwell, melt, pastStop }) =>
      row([
        planned.pad === 'all' ? 'all pads' : `pin ${planned.pad}`,
        `${seconds(planned.melt_s.p10)} to ${seconds(planned.melt_s.p90)}`,
        seconds(dwell?.melted_s),
        seconds(planned.stop_s),
        seconds(dwell?.off_s),
        percent(planned.padDose.p50),
        `${percent(dwell?.exposure?.padDose)}${byWhat(dwell?.exposure?.measured)}`,
        [melt, ...(pastStop ? ['held past its stop'] : [])].join(', '),
      ]),
    ),
  ];
}

function doneTable({ job, events }: RunSheet): string[] {
  const state = runState(job.plan.steps, events);
  const done = job.plan.steps.flatMap((step) => {
    const at = state.done.get(step.id);
    return at ? [{ step, at }] : [];
  });
  if (done.length === 0) return [];
  return [
    '| step | done | by | took | said |',
    '| --- | --- | --- | --- | --- |',
    ...done.map(({ step, at }) =>
      row([
        step.title,
        stampOf(at.at_ms),
        at.by,
        seconds((at.at_ms - at.from_ms) / 1000),
        `${passedInWords(at.passed)}${at.read ? `${at.read} ` : ''}${at.where ? `lies in ${at.where}` : ''}`.trim(),
      ]),
    ),
  ];
}

function findingsList({ findings, job, site }: RunSheet): string[] {
  const own = findings.filter((f) => f.jobId === job.id);
  const holds = new Set(standingFindings(own).map((f) => f.id));
  const name = (id: string): string => site.pads.find((pad) => pad.id === id)?.name ?? '?';
  return own.map((f) => {
    const words = PAD_STATES[f.state].name.toLowerCase();
    const said = f.takesBackId !== null ? `was not ${words}` : holds.has(f.id) ? words : `~~${words}~~`;
    return `- ${stampOf(f.at_ms)}, ${plain(f.by)}: pin ${plain(name(f.padId))} ${said}${f.note ? `. ${plain(f.note)}` : ''}`;
  });
}

const notesList = ({ events }: RunSheet): string[] => [
  ...standingEvents(events).flatMap((e) =>
    e.kind === 'note' ? [`- ${stampOf(e.at_ms)}, ${plain(e.by)}: ${plain(e.text)}`] : [],
  ),
  ...events.flatMap((e) => {
    if (e.kind === 'taken-back')
      return [`- ${stampOf(e.at_ms)}, ${plain(e.by)}: entry ${e.ofSeq} was not so. ${plain(e.reason)}`];
    if (e.kind === 'correction')
      return [
        `- ${stampOf(e.at_ms)}, ${plain(e.by)}: entry ${e.ofSeq} is ${seconds(e.elapsed_s)}. ${plain(e.reason)}`,
      ];
    return [];
  }),
];

const logLine = ({ title, origin, simulated, peaks }: LogTold): string => {
  const read =
    origin === 'file' ? 'from a file' : simulated ? 'read by simulated instruments' : 'read by instruments';
  const told = peaks.map(
    ({ name, peak_C }) => `${plain(name)} up to ${peak_C === null ? '–' : `${peak_C.toFixed(0)} °C`}`,
  );
  return `- ${plain(title || 'Log')}, ${read}: ${told.join(', ')}`;
};

const amountOf = ({ amount, unit }: { readonly amount: number; readonly unit: string }): string =>
  `${amount < 10 ? amount.toFixed(1) : Math.round(amount)} ${unit}`;
