export const GOALS = [
  'remove-keep-part',
  'remove-sacrifice-part',
  'reflow',
  'fit',
  'fit-socket',
  'replace',
  'read-and-refit',
] as const;
export type Goal = (typeof GOALS)[number];

/** A stretch of a job with one heat setting of its own. */
export type Phase = 'remove' | 'reflow' | 'fit';

/** The stretches of a goal in their order; dressing lies between a removal and a fit. */
export function phasesOf(goal: Goal): readonly [Phase, ...Phase[]] {
  switch (goal) {
    case 'remove-keep-part':
    case 'remove-sacrifice-part':
      return ['remove'];
    case 'reflow':
      return ['reflow'];
    case 'fit':
    case 'fit-socket':
      return ['fit'];
    case 'replace':
    case 'read-and-refit':
      return ['remove', 'fit'];
  }
}

/** Whether a goal can be gone for: a part that is off can only be fitted. */
export const possibleOn = (goal: Goal, empty: boolean): boolean => !empty || phasesOf(goal)[0] === 'fit';

/** A part that holds the only copy of its contents is never given up: they go with it. */
export const givesUp = (goal: Goal): boolean => phasesOf(goal)[0] === 'remove' && !keepsPart(goal);

/** Goals that can be gone for on a site, in the order they are offered. */
export const goalsOn = (empty: boolean, takesSocket: boolean, onlyCopy = false): Goal[] =>
  GOALS.filter(
    (goal) =>
      (takesSocket || goal !== 'fit-socket') && possibleOn(goal, empty) && !(onlyCopy && givesUp(goal)),
  );

/** What is left of a goal when its part does not go back on. */
export const withoutFit = (goal: Goal): Goal =>
  keepsPart(goal) ? 'remove-keep-part' : goal === 'replace' ? 'remove-sacrifice-part' : goal;

/** Whether the part that is on the board must live through its removal. */
export const keepsPart = (goal: Goal): boolean => goal === 'remove-keep-part' || goal === 'read-and-refit';

/** A body that is given up has no limit in its removal; every other body has. */
export const bodyCounts = (goal: Goal, phase: Phase): boolean => phase !== 'remove' || keepsPart(goal);
