/** What came of a job or a board. */
export const OUTCOMES = [
  'fixed',
  'improved',
  'part-done',
  'unchanged',
  'worse',
  'scrapped',
  'parked',
] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** A job that ended so may go on where it stood. */
export const UNFINISHED: ReadonlySet<string> = new Set<Outcome>(['part-done', 'parked']);
