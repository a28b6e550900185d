import type { PhaseAnswer, FoundAnswer } from './planAnswer';

/** A found answer's phases in order, all in one shape. */
export const phasesIn = (answer: FoundAnswer): PhaseAnswer[] => [answer, ...answer.then];
