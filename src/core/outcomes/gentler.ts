import { middle } from './results';

/** What a job cost its worst land, as a share of its budget, and what it would have cost at its gentlest; halves are added. */
export interface HeldGentler {
  readonly done: number;
  readonly gentlest: number;
  readonly longer_min: number;
}

/** What a changed habit would have saved over some jobs. */
export interface Saved {
  readonly jobs: number;
  /** Of them, those that something gentler was there for. */
  readonly gentler: number;
  /** Over all jobs, in budgets of a land. */
  readonly budgets: number;
  /** Of those that could have been gentler, the middle one; null where there is none. */
  readonly middle: HeldGentler | null;
}

/** Adds jobs up that were held against their gentlest. */
export function savedOver(jobs: readonly HeldGentler[]): Saved {
  const could = jobs.filter((job) => job.gentlest < job.done);
  const of = (pick: (job: HeldGentler) => number): number => middle(could.map(pick));
  return {
    jobs: jobs.length,
    gentler: could.length,
    budgets: could.reduce((sum, { done, gentlest }) => sum + done - gentlest, 0),
    middle:
      could.length === 0
        ? null
        : { done: of((j) => j.done), gentlest: of((j) => j.gentlest), longer_min: of((j) => j.longer_min) },
  };
}
