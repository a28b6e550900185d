import { grouped } from '~/core/outcomes/dimensions';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { middle } from '~/core/outcomes/results';
import type { HeatView } from '~/schema/sheets/outcomesSheet';
import { groupName } from './names';

/** So many of the sites that are nearest their end. */
const MOST_SITES = 25;

const MONTH_ms = 31 * 24 * 3600 * 1000;

/** So many jobs are solved once more at a time: each takes about a second. */
const MOST_HELD = 60;

/** Sites whose lands were heated most, and what each way of working costs a land. */
export function heatView(facts: readonly JobFacts[]): HeatView {
  const bySite = new Map<string, JobFacts[]>();
  for (const f of facts) {
    const own = bySite.get(f.siteId);
    if (own) own.push(f);
    else bySite.set(f.siteId, [f]);
  }
  const sites = [...bySite.values()]
    .map((jobs) => {
      const { boardId, boardName, siteId, ref } = jobs[0]!;
      const spent = jobs.reduce((sum, f) => sum + (f.dose ?? 0), 0);
      return { boardId, boardName, siteId, ref, jobs: jobs.length, spent };
    })
    .filter(({ spent }) => spent > 0)
    .sort((a, b) => b.spent - a.spent)
    .slice(0, MOST_SITES);
  const known = (values: readonly (number | null)[]): number | null => {
    const told = values.filter((v) => v !== null);
    return told.length > 0 ? middle(told) : null;
  };
  return {
    is: 'heat',
    sites,
    methods: grouped(facts, 'method').map(({ key, facts: own }) => ({
      key,
      name: groupName('method', key),
      jobs: own.length,
      foretold: known(own.map((f) => f.foretoldDose)),
      done: known(own.map((f) => f.dose)),
    })),
    recent: recentOf(facts),
  };
}

/** A month back from the job that was closed last. */
function recentOf(facts: readonly JobFacts[]): HeatView['recent'] {
  const last_ms = facts.reduce((last, f) => Math.max(last, f.closedAt_ms), 0);
  const from_ms = last_ms - MONTH_ms;
  const within = facts.filter((f) => f.closedAt_ms > from_ms).sort((a, b) => b.closedAt_ms - a.closedAt_ms);
  return {
    from_ms,
    of: within.length,
    jobs: within.slice(0, MOST_HELD).map(({ jobId, ref, boardName, method }) => ({
      jobId,
      ref,
      boardName,
      method: groupName('method', method),
    })),
  };
}
