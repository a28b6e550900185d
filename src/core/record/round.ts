import { isEmpty, type JobTrace, type Occupancy } from './occupancy';
import { UNFINISHED } from './outcomes';
import { runState, type RunState } from './runState';

/** The step after a part of a whole board's job: go on to the next, or stop here. */
export const PAUSE_STEP = 'pause';

/** A whole board's job that was decided on: its sites, in order. */
export interface Round {
  readonly id: string;
  readonly siteIds: readonly string[];
  readonly at_ms: number;
}

/** A site of it: done with an outcome, under way, stopped in the middle, or still to do. */
export interface RoundSite {
  readonly siteId: string;
  readonly status: 'done' | 'under-way' | 'stopped' | 'to-do';
  readonly jobId: string | null;
  readonly outcome: string | null;
}

export interface RoundStanding {
  readonly sites: readonly RoundSite[];
  /** The first that is not done; null once all are. */
  readonly next: RoundSite | null;
  /** A job of it was begun. */
  readonly begun: boolean;
}

/**
 * How far a whole board's job is, from the jobs on its sites. A site is done once a job of this round or a later one was
 * closed on it for good and its part stands whole.
 */
export function roundStanding(
  { id, siteIds, at_ms }: Round,
  jobs: readonly JobTrace[],
  occupancies: ReadonlyMap<string, Occupancy>,
): RoundStanding {
  const sites = siteIds.map((siteId): RoundSite => {
    const since = jobs.filter((job) => job.siteId === siteId && begunAt_ms(job) >= at_ms);
    const last = since.at(-1);
    if (!last) return { siteId, status: 'to-do', jobId: null, outcome: null };
    const { id: jobId, outcome, status } = last;
    if (status === 'running') return { siteId, status: 'under-way', jobId, outcome: null };
    if (outcome !== null && UNFINISHED.has(outcome)) return { siteId, status: 'stopped', jobId, outcome };
    return isWhole(occupancies.get(siteId))
      ? { siteId, status: 'done', jobId, outcome }
      : { siteId, status: 'to-do', jobId: null, outcome };
  });
  return {
    sites,
    next: sites.find((s) => s.status === 'under-way') ?? sites.find((s) => s.status !== 'done') ?? null,
    begun: jobs.some((job) => job.recapId === id),
  };
}

const begunAt_ms = (job: JobTrace): number => job.events[0]?.at_ms ?? 0;

/** Nothing is known against it standing on all its pins. */
const isWhole = (occupancy: Occupancy | undefined): boolean =>
  occupancy === undefined || (!isEmpty(occupancy) && occupancy.kind !== 'half-off');

/** Sites whose job left its cleaning and drying to the end, with no cleaning since; in the order they were worked. */
export function uncleanedSites(jobs: readonly JobTrace[]): string[] {
  const states = jobs.map((job) => ({ job, state: runState(job.steps, job.events) }));
  const cleaned_ms = Math.max(
    0,
    ...states.flatMap(({ state }) => [...state.done].flatMap(([id, d]) => (isCleaning(id) ? [d.at_ms] : []))),
  );
  return [
    ...new Set(
      states
        .filter(({ state }) => leftToEnd_ms(state) > cleaned_ms)
        .sort((a, b) => leftToEnd_ms(a.state) - leftToEnd_ms(b.state))
        .map(({ job }) => job.siteId),
    ),
  ];
}

const isCleaning = (stepId: string): boolean => /(^|-)clean$/.test(stepId);

/** When a job was closed with its cleaning left to the end; −∞ where it was not. */
const leftToEnd_ms = ({ leftToEnd_ms: at_ms }: Pick<RunState, 'leftToEnd_ms'>): number => at_ms ?? -Infinity;
