import { DIMENSION_IDS, filtered, grouped, type DimensionId } from '~/core/outcomes/dimensions';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { isSample } from '~/core/outcomes/sample';
import { filterOf, type OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { OutcomesSheet } from '~/schema/sheets/outcomesSheet';
import type { Db } from '~/server/store/db';
import { causesView } from './causesView';
import { allFacts } from './facts';
import { heatView } from './heatView';
import { groupName } from './names';
import { heldView, ratesView, timeView } from './ratesView';

/** The jobs that a question is of; `withMelts` where their touches are asked for. */
export function factsAsked(db: Db, query: OutcomesQuery, withMelts = false): JobFacts[] {
  const all = allFacts(db, withMelts);
  return filtered(query.samples === 'no' ? all.filter((f) => !isSample(f.jobId)) : all, filterOf(query));
}

/** One view of the workshop's own evidence. */
export function outcomesSheet(db: Db, query: OutcomesQuery, now_ms: number): OutcomesSheet {
  const all = allFacts(db, true);
  const facts = factsAsked(db, query, true);
  return {
    query,
    jobs: facts.length,
    samples: facts.filter((f) => isSample(f.jobId)).length,
    choices: choicesIn(all),
    months: [...new Set(all.map((f) => new Date(f.closedAt_ms).toISOString().slice(0, 7)))],
    view: viewOf(db, query, facts, now_ms),
  };
}

function viewOf(
  db: Db,
  query: OutcomesQuery,
  facts: readonly JobFacts[],
  now_ms: number,
): OutcomesSheet['view'] {
  switch (query.view) {
    case 'rates':
      return ratesView(facts, query);
    case 'time':
      return timeView(facts, query);
    case 'held':
      return heldView(facts, query);
    case 'heat':
      return heatView(facts);
    case 'causes':
      return causesView(db, facts, now_ms);
  }
}

/** What jobs can be narrowed to: dimensions with more than one group. */
function choicesIn(facts: readonly JobFacts[]): OutcomesSheet['choices'] {
  const choices: Partial<Record<DimensionId, { key: string; name: string }[]>> = {};
  for (const id of DIMENSION_IDS) {
    const groups = grouped(facts, id).map(({ key }) => ({ key, name: groupName(id, key) }));
    if (groups.length > 1) choices[id] = groups.sort((a, b) => a.name.localeCompare(b.name));
  }
  return choices;
}
