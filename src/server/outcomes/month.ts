import { filtered } from '~/core/outcomes/dimensions';
import { countOf, jobCount } from '~/core/outcomes/harmRates';
import { HARM_IDS, HARMS, type HarmId } from '~/core/outcomes/harms';
import { heldOf } from '~/core/outcomes/held';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { overTime } from '~/core/outcomes/overTime';
import { paretos, reworkIn } from '~/core/outcomes/returns';
import { resultOf } from '~/core/outcomes/results';
import { ROOT_CAUSES } from '~/core/record/rootCauses';
import { effective, wilson, type Count, type Rate } from '~/core/statistics/rates';
import type { JobNamed } from '~/schema/sheets/outcomesSheet';
import { filterOf, outcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { Db } from '~/server/store/db';
import { allFacts } from './facts';
import { jobNamed } from './jobNamed';

/** One month of the workshop on one sheet. */
export interface MonthReport {
  readonly month: string;
  readonly results: ReturnType<typeof resultOf>;
  readonly harms: readonly {
    readonly id: HarmId;
    readonly name: string;
    readonly per: 'joint' | 'job';
    readonly counted: Count;
    readonly rate: Rate;
    /** Over the months before; null where there were none. */
    readonly before: Rate | null;
    /** Since when it is more, where it is and was seen by the end of the month. */
    readonly since_ms: number | null;
  }[];
  readonly held: ReturnType<typeof heldOf>;
  readonly causes: readonly { readonly name: string; readonly jobs: number }[];
  readonly again: readonly JobNamed[];
  readonly harmed: readonly (JobNamed & { readonly harms: string })[];
}

/** The last month in which a job was closed; null where none ever was. */
export function lastMonth(db: Db): string | null {
  const last = allFacts(db).at(-1);
  return last ? new Date(last.closedAt_ms).toISOString().slice(0, 7) : null;
}

/** What a month came to, beside the months before it. */
export function monthReport(db: Db, month: string): MonthReport {
  const until = filtered(allFacts(db), filterOf(outcomesQuery.parse({ to: month })));
  const from_ms = Date.parse(`${month}-01T00:00Z`);
  const own = until.filter((f) => f.closedAt_ms >= from_ms);
  const before = until.filter((f) => f.closedAt_ms < from_ms);
  return {
    month,
    results: resultOf(own),
    harms: HARM_IDS.map((id) => ({
      id,
      name: HARMS[id].name,
      per: HARMS[id].per,
      counted: countOf(own, id),
      rate: rateIn(own, id),
      before: before.length > 0 ? rateIn(before, id) : null,
      since_ms: overTime(until, id)?.signal?.beganWith.closedAt_ms ?? null,
    })),
    held: heldOf(own, 'melt'),
    causes: paretos(own)[0]!.lines.map(({ cause, jobs }) => ({ name: ROOT_CAUSES[cause], jobs })),
    again: reworkIn(until).flatMap(({ again }) => (again.closedAt_ms >= from_ms ? [jobNamed(again)] : [])),
    harmed: own.filter((f) => harmsOf(f) !== '').map((f) => ({ ...jobNamed(f), harms: harmsOf(f) })),
  };
}

const rateIn = (facts: readonly JobFacts[], id: HarmId): Rate =>
  wilson(effective(facts.map((f) => jobCount(f, id))));

const harmsOf = ({ harms }: JobFacts): string =>
  HARM_IDS.flatMap((id) => (harms[id] > 0 ? [`${HARMS[id].name.toLowerCase()} ${harms[id]}`] : [])).join(
    ', ',
  );
