import { filtered, type DimensionId } from '~/core/outcomes/dimensions';
import { monthOf, monthsBetween } from '~/core/outcomes/months';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { isSample } from '~/core/outcomes/sample';
import { filterOf, type OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { OutcomesSheet } from '~/schema/sheets/outcomesSheet';
import type { Db } from '~/server/store/db';
import { causesView } from './causesView';
import type { Onlooker } from './asked';
import { allFacts, groupKeys } from './facts';
import { heatView } from './heatView';
import { groupName } from './names';
import { heldView, ratesView, timeView } from './ratesView';

/** The jobs that a question is of. */
export const factsAsked = (db: Db, query: OutcomesQuery): JobFacts[] => narrowed(allFacts(db), query);

const narrowed = (all: readonly JobFacts[], query: OutcomesQuery): JobFacts[] =>
  filtered(query.samples === 'no' ? all.filter((f) => !isSample(f.jobId)) : all, filterOf(query));

/** One view of the workshop's own evidence. */
export function sheetOf(db: Db, query: OutcomesQuery, who: Onlooker): OutcomesSheet {
  const all = allFacts(db);
  const facts = narrowed(all, query);
  return {
    query,
    jobs: facts.length,
    samples: facts.filter((f) => isSample(f.jobId)).length,
    choices: choicesOf(db, who),
    months:
      all.length > 0 ? monthsBetween(monthOf(all[0]!.closedAt_ms), monthOf(all.at(-1)!.closedAt_ms)) : [],
    view: viewOf(db, query, facts, who),
  };
}

function viewOf(
  db: Db,
  query: OutcomesQuery,
  facts: readonly JobFacts[],
  who: Onlooker,
): OutcomesSheet['view'] {
  switch (query.view) {
    case 'rates':
      return ratesView(facts, query);
    case 'time':
      return timeView(facts, query, who);
    case 'held':
      return heldView(facts, query);
    case 'heat':
      return heatView(facts);
    case 'causes':
      return causesView(db, facts);
  }
}

/** More groups than this are found by the search of the bench, not in a list. */
const MOST_CHOICES = 60;

/** What jobs can be narrowed to: dimensions with more than one group; of people oneself, and all of them for a lead alone. */
function choicesOf(db: Db, { own, tellsWho }: Onlooker): OutcomesSheet['choices'] {
  const choices: Partial<Record<DimensionId, { key: string; name: string }[]>> = {};
  for (const [id, keys] of groupKeys(db)) {
    if (keys.size < 2 || keys.size > MOST_CHOICES) continue;
    choices[id] = [...keys]
      .filter((key) => id !== 'by' || tellsWho || key === own)
      .map((key) => ({ key, name: groupName(id, key) }))
      .sort((a, b) => a.name.localeCompare(b.name));
  }
  return choices;
}
