import { grouped } from '~/core/outcomes/dimensions';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { middle } from '~/core/outcomes/results';
import type { HeatView } from '~/schema/sheets/outcomesSheet';
import { groupName } from './names';

/** So many of the sites that are nearest their end. */
const MOST_SITES = 25;

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
  };
}
