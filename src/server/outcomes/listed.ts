import Papa from 'papaparse';
import { HARM_IDS, HARMS } from '~/core/outcomes/harms';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { ROOT_CAUSES } from '~/core/record/rootCauses';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import { GOAL_WORDS } from '~/schema/words/words';
import type { Db } from '~/server/store/db';
import { groupName } from './names';
import { factsAsked } from './sheet';

/** The jobs that one number counts, the last closed first. */
export function listed(db: Db, query: OutcomesQuery): JobFacts[] {
  const { with: harm, outcome, cause, band, of } = query;
  return factsAsked(db, query)
    .filter(
      (f) =>
        (harm === undefined || f.harms[harm] > 0) &&
        (outcome === undefined || f.outcome === outcome) &&
        (cause === undefined || (f.rootCause ?? 'unsaid') === cause) &&
        (band === undefined || f.held[of][band] > 0),
    )
    .reverse();
}

/** Those jobs as a table (RFC 4180), their times in UTC, with who did them where that may be told; what a spreadsheet would take for a formula is written so that it does not. */
export function listedCsv(db: Db, query: OutcomesQuery, told: boolean): string {
  const data = listed(db, query).map((f) => [
    f.jobId,
    f.boardName,
    f.ref,
    new Date(f.closedAt_ms).toISOString(),
    told ? f.by : '',
    GOAL_WORDS[f.goal],
    groupName('family', f.family),
    groupName('method', f.method),
    f.tool,
    f.tip,
    f.setpoint_C,
    groupName('copper', f.copper),
    groupName('alloy', f.alloy),
    f.solder,
    f.flux,
    groupName('laminate', f.laminate),
    f.layers,
    f.madeIn ?? '',
    f.outcome,
    f.rootCause ? ROOT_CAUSES[f.rootCause] : '',
    f.minutes.toFixed(1),
    f.joints,
    f.heats,
    ...HARM_IDS.map((id) => f.harms[id]),
    f.dose === null ? '' : f.dose.toFixed(4),
  ]);
  return `${Papa.unparse({ fields: [...FIELDS, ...HARM_IDS.map((id) => HARMS[id].name.toLowerCase()), 'budget spent on the worst land'], data }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

const FIELDS = [
  'job',
  'board',
  'site',
  'closed',
  'by',
  'goal',
  'family',
  'method',
  'tool',
  'tip',
  'set to, °C',
  'copper',
  'alloy',
  'solder',
  'flux',
  'laminate',
  'layers',
  'made in',
  'outcome',
  'root cause',
  'minutes',
  'joints',
  'heats',
];
