import { DRY_REWORK_K } from '~/core/packages/moisture';
import { bodyCounts, phasesOf, type Goal, type Phase } from '../goals';

/** Reflows that a body is classified with, and so is good for (J-STD-020 preconditioning: three, from memory). */
export const MOST_PART_CYCLES = 3;

/** Heat cycles of the part that a job is about. */
export interface PartCycles {
  readonly before: number;
  readonly after: number;
  readonly most: number;
  /** Past what it is good for by this job; a body that stays as cool as in local rework is not counted out. */
  readonly over: boolean;
}

/** What a job does to a part that lives on after it; null where the part goes, or a fresh one comes. */
export function partCycles(
  goal: Goal,
  before: number,
  phases: readonly { readonly phase: Phase; readonly bodyPeak_K: number }[],
): PartCycles | null {
  if (!livesOn(goal)) return null;
  const own = phases.filter(({ phase }) => bodyCounts(goal, phase));
  const after = before + own.length;
  const hot = own.some(({ bodyPeak_K }) => bodyPeak_K > DRY_REWORK_K);
  return { before, after, most: MOST_PART_CYCLES, over: hot && after > MOST_PART_CYCLES };
}

/** Whether the part that is on the board now is the one that is used after the job. */
const livesOn = (goal: Goal): boolean =>
  goal === 'remove-keep-part' || goal === 'reflow' || goal === 'read-and-refit';

/** Heat cycles of the part that is on a site now, from its jobs in their order. */
export function cyclesSoFar(goals: readonly Goal[]): number {
  return goals.reduce(
    (cycles, goal) =>
      goal === 'replace' || goal === 'fit' || goal === 'fit-socket' ? 1 : cycles + phasesOf(goal).length,
    0,
  );
}
