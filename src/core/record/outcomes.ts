export const OUTCOMES = ['fixed', 'improved', 'unchanged', 'worse', 'scrapped', 'parked'] as const;
export type Outcome = (typeof OUTCOMES)[number];
