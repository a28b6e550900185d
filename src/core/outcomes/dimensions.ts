import type { JobFacts } from './jobFacts';
import { yearAndMonth } from './months';

/** What a job is sorted by. `of` gives the group's key; names in words are the view's. */
export interface Dimension {
  readonly name: string;
  readonly of: (facts: JobFacts) => string;
}

/** Boards of a kind share their name up to its number: "Door controller, car 7" is a door controller. */
export const boardKindOf = (name: string): string =>
  name
    .split(',')[0]!
    .replace(/\s*(no\.?\s*)?\d+\s*$/i, '')
    .trim() || name;

/** Boards of one age, by when the job was done. */
const AGES = [10, 20, 30] as const;

/** How old a board was when it was worked on; in steps that a technician would tell apart. */
export function ageOf({ madeIn, closedAt_ms }: Pick<JobFacts, 'madeIn' | 'closedAt_ms'>): string {
  if (madeIn === null) return 'unknown';
  const years = yearAndMonth(closedAt_ms)[0] - madeIn;
  const under = AGES.find((limit) => years < limit);
  return under === undefined ? `${AGES.at(-1)}+` : `<${under}`;
}

const layersOf = ({ layers }: JobFacts): string => (layers > 2 ? '4+' : String(layers));

export const DIMENSIONS = {
  method: { name: 'Method', of: (f) => f.method },
  family: { name: 'Family', of: (f) => f.family },
  tool: { name: 'Tool and tip', of: (f) => [f.tool, f.tip].filter(Boolean).join(', ') },
  copper: { name: 'Copper at the joint', of: (f) => f.copper },
  alloy: { name: 'Alloy', of: (f) => f.alloy },
  age: { name: 'Age of the board', of: ageOf },
  layers: { name: 'Copper layers', of: layersOf },
  laminate: { name: 'Laminate', of: (f) => f.laminate },
  kind: { name: 'Kind of board', of: (f) => boardKindOf(f.boardName) },
  board: { name: 'Board', of: (f) => f.boardName },
  by: { name: 'Technician', of: (f) => f.by },
  goal: { name: 'Goal', of: (f) => f.goal },
} as const satisfies Readonly<Record<string, Dimension>>;

export type DimensionId = keyof typeof DIMENSIONS;
export const DIMENSION_IDS = Object.keys(DIMENSIONS) as [DimensionId, ...DimensionId[]];

/** Which jobs are looked at: those of every group that is named, within a time. */
export interface FactsFilter {
  readonly from_ms: number | null;
  readonly to_ms: number | null;
  readonly where: Readonly<Partial<Record<DimensionId, string>>>;
}

export function filtered(facts: readonly JobFacts[], { from_ms, to_ms, where }: FactsFilter): JobFacts[] {
  const asked = (Object.entries(where) as [DimensionId, string][]).map(
    ([id, key]) => [(DIMENSIONS[id] as Dimension).of, key] as const,
  );
  return facts.filter(
    (f) =>
      (from_ms === null || f.closedAt_ms >= from_ms) &&
      (to_ms === null || f.closedAt_ms < to_ms) &&
      asked.every(([of, key]) => of(f) === key),
  );
}

/** Jobs by the groups of a dimension, the largest group first. */
export function grouped(
  facts: readonly JobFacts[],
  dimension: DimensionId,
): { readonly key: string; readonly facts: readonly JobFacts[] }[] {
  const groups = new Map<string, JobFacts[]>();
  const { of } = DIMENSIONS[dimension] as Dimension;
  for (const f of facts) {
    const key = of(f);
    const group = groups.get(key);
    if (group) group.push(f);
    else groups.set(key, [f]);
  }
  return [...groups]
    .map(([key, own]) => ({ key, facts: own }))
    .sort((a, b) => b.facts.length - a.facts.length || a.key.localeCompare(b.key));
}
