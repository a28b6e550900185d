import { z } from 'zod';
import { DIMENSION_IDS, type DimensionId, type FactsFilter } from '~/core/outcomes/dimensions';
import { FORETOLD_IDS } from '~/core/outcomes/foretold';
import { HARM_IDS } from '~/core/outcomes/harms';
import { OUTCOMES } from '~/core/record/outcomes';
import { ROOT_CAUSE_IDS } from '~/core/record/rootCauses';
import { oneOf, text } from '~/schema/values/fields';
import { USUAL } from './usual';

/** The pages of Outcomes. */
export const OUTCOMES_VIEWS = ['rates', 'time', 'held', 'heat', 'causes'] as const;
export type OutcomesView = (typeof OUTCOMES_VIEWS)[number];

const month = z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, { error: 'must be a month such as 2026-09' });
const group = text(1, 160).optional();

/** What is asked of the record, as it stands in an address: a view can be sent. Keys that nobody knows are passed over. */
export const outcomesQuery = z.object({
  view: oneOf(OUTCOMES_VIEWS).default(USUAL.view),
  /** What jobs are sorted by. */
  sort: oneOf(DIMENSION_IDS).default(USUAL.sort),
  harm: oneOf(HARM_IDS).default(USUAL.harm),
  /** What was foretold. */
  of: oneOf(FORETOLD_IDS).default(USUAL.of),
  from: month.optional(),
  to: month.optional(),
  ...(Object.fromEntries(DIMENSION_IDS.map((id) => [id, group])) as Record<DimensionId, typeof group>),
  /** Of the list of jobs: those that one number counts. */
  with: oneOf(HARM_IDS).optional(),
  outcome: oneOf(OUTCOMES).optional(),
  cause: oneOf([...ROOT_CAUSE_IDS, 'unsaid']).optional(),
  band: oneOf(['early', 'late']).optional(),
  /** Leaves out the sample months. */
  samples: oneOf(['no']).optional(),
});
export type OutcomesQuery = z.infer<typeof outcomesQuery>;

/** The jobs that a question is of, but for what its list narrows further. Months begin and end at midnight, UTC. */
export function filterOf(query: OutcomesQuery): FactsFilter {
  const where = Object.fromEntries(
    DIMENSION_IDS.flatMap((id) => (query[id] === undefined ? [] : [[id, query[id]]])),
  );
  return {
    from_ms: query.from === undefined ? null : Date.parse(`${query.from}-01T00:00Z`),
    to_ms: query.to === undefined ? null : afterMonth(query.to),
    where,
  };
}

function afterMonth(month: string): number {
  const [year, number] = month.split('-').map(Number) as [number, number];
  return Date.UTC(year, number, 1);
}
