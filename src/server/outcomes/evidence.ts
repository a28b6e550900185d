import type { JobFacts } from '~/core/outcomes/jobFacts';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { OutcomesSheet } from '~/schema/sheets/outcomesSheet';
import type { Db } from '~/server/store/db';
import type { Onlooker } from './asked';
import { allFacts } from './facts';
import { listed, listedCsv } from './listed';
import { lastMonth, monthReport, type MonthReport } from './month';
import { sheetOf } from './sheet';

/** What may be asked of the workshop's own evidence, and what is answered. */
interface Evidence {
  readonly sheet: [asked: { readonly query: OutcomesQuery } & Pick<Onlooker, 'tellsWho'>, OutcomesSheet];
  /** So many jobs of a number's list, and how many it has. */
  readonly jobs: [
    asked: { readonly query: OutcomesQuery; readonly most: number },
    { readonly of: number; readonly jobs: readonly JobFacts[] },
  ];
  readonly csv: [asked: { readonly query: OutcomesQuery; readonly told: boolean }, string];
  /** A month's report; null: the last one in which a job was closed, and null again where none ever was. */
  readonly month: [asked: { readonly month: string | null }, MonthReport | null];
  /** Everything that was counted read, so that whoever asks next need not wait for it. */
  readonly read: [asked: { readonly all: true }, number];
}
export type EvidenceKind = keyof Evidence;
export type Ask<Kind extends EvidenceKind = EvidenceKind> = {
  [K in Kind]: { readonly is: K } & Evidence[K][0];
}[Kind];
export type Answer<Kind extends EvidenceKind = EvidenceKind> = Evidence[Kind][1];

/** Answers from the record, here and now. */
export function answered(db: Db, ask: Ask): Answer {
  switch (ask.is) {
    case 'sheet':
      return sheetOf(db, ask.query, ask);
    case 'jobs': {
      const jobs = listed(db, ask.query);
      return { of: jobs.length, jobs: jobs.slice(0, ask.most) };
    }
    case 'csv':
      return listedCsv(db, ask.query, ask.told);
    case 'month': {
      const month = ask.month ?? lastMonth(db);
      return month === null ? null : monthReport(db, month);
    }
    case 'read':
      return allFacts(db).length;
  }
}
