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

/** One view of the workshop's own evidence, for those who are told who did what or for those who are not. */
export function sheetOf(db: Db, query: OutcomesQuery, tells: Pick<Onlooker, 'tellsWho'>): OutcomesSheet {
  const all = allFacts(db);
  const facts = narrowed(all, query);
  return {
    query,
    jobs: facts.length,
    samples: facts.filter((f) => isSample(f.jobId)).length,
    choices: choicesOf(db),
    months:
      all.length > 0 ? monthsBetween(monthOf(all[0]!.closedAt_ms), monthOf(all.at(-1)!.closedAt_ms)) : [],
    view: viewOf(db, query, facts, tells),
  };
}

function viewOf(
  db: Db,
  query: OutcomesQuery,
  facts: readonly JobFacts[],
  tells: Pick<Onlooker, 'tellsWho'>,
): OutcomesSheet['view'] {
  switch (query.view) {
    case 'rates':
      return ratesView(facts, query);
    case 'time':
      return timeView(facts, query, tells);
    case 'held':
      return heldView(facts, query);
    case 'heat':
      return heatView(facts);
    case 'causes':
      return causesView(db, facts);
  }
}

/** The same as one onlooker may have it: of people everyone is told of themselves, and a lead of all. */
export function seenBy(sheet: OutcomesSheet, { own, tellsWho }: Onlooker): OutcomesSheet {
  const { by } = sheet.choices;
  if (tellsWho || !by) return sheet;
  return { ...sheet, choices: { ...sheet.choices, by: by.filter(({ key }) => key === own) } };
}

/** More groups than this are found by the search of the bench, not in a list. */
const MOST_CHOICES = 60;

/** What jobs can be narrowed to: dimensions with more than one group. */
function choicesOf(db: Db): OutcomesSheet['choices'] {
  const choices: Partial<Record<DimensionId, { key: string; name: string }[]>> = {};
  for (const [id, keys] of groupKeys(db)) {
    if (keys.size < 2 || keys.size > MOST_CHOICES) continue;
    choices[id] = [...keys]
      .map((key) => ({ key, name: groupName(id, key) }))
      .sort((a, b) => a.name.localeCompare(b.name));
  }
  return choices;
}
