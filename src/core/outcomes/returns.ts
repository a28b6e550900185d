import { ROOT_CAUSE_IDS, type RootCauseId } from '~/core/record/rootCauses';
import { boardKindOf } from './dimensions';
import type { JobFacts } from './jobFacts';

/** What faults came from, the most frequent first, with the share that those up to it make. */
interface ParetoLine {
  readonly cause: RootCauseId;
  readonly jobs: number;
  readonly upTo: number;
}

export interface Pareto {
  /** Kind of board; null: all together. */
  readonly kind: string | null;
  readonly jobs: number;
  /** Jobs that were closed without saying which. */
  readonly unsaid: number;
  readonly lines: readonly ParetoLine[];
}

/** Root causes over all boards and by kind of board (the vital few: Juran, Quality Control Handbook). */
export function paretos(facts: readonly JobFacts[]): Pareto[] {
  const kinds = new Map<string, JobFacts[]>();
  for (const f of facts) {
    const kind = boardKindOf(f.boardName);
    const own = kinds.get(kind);
    if (own) own.push(f);
    else kinds.set(kind, [f]);
  }
  return [
    paretoOf(null, facts),
    ...[...kinds].map(([kind, own]) => paretoOf(kind, own)).sort((a, b) => b.jobs - a.jobs),
  ];
}

function paretoOf(kind: string | null, facts: readonly JobFacts[]): Pareto {
  const said = facts.filter((f) => f.rootCause !== null);
  const counts = new Map<RootCauseId, number>();
  for (const { rootCause } of said) counts.set(rootCause!, (counts.get(rootCause!) ?? 0) + 1);
  const lines = ROOT_CAUSE_IDS.map((cause) => ({ cause, jobs: counts.get(cause) ?? 0 }))
    .filter(({ jobs }) => jobs > 0)
    .sort((a, b) => b.jobs - a.jobs);
  let sum = 0;
  return {
    kind,
    jobs: facts.length,
    unsaid: facts.length - said.length,
    lines: lines.map((line) => {
      sum += line.jobs;
      return { ...line, upTo: sum / said.length };
    }),
  };
}

/** A site that was worked on again after its job had been closed as done. */
export interface Rework {
  readonly first: JobFacts;
  readonly again: JobFacts;
  readonly days: number;
}

/** Jobs that had to be done again: the same site, after a job on it that had been called fixed or improved. */
export function reworkIn(facts: readonly JobFacts[]): Rework[] {
  const bySite = new Map<string, JobFacts[]>();
  for (const f of [...facts].sort((a, b) => a.acceptedAt_ms - b.acceptedAt_ms)) {
    const own = bySite.get(f.siteId);
    if (own) own.push(f);
    else bySite.set(f.siteId, [f]);
  }
  return [...bySite.values()].flatMap((jobs) =>
    jobs.slice(1).flatMap((again, i): Rework[] => {
      const first = jobs[i]!;
      if (first.outcome !== 'fixed' && first.outcome !== 'improved') return [];
      // Off and on again in two sittings is one piece of work.
      const days = (again.acceptedAt_ms - first.closedAt_ms) / 86_400_000;
      return days < 1 ? [] : [{ first, again, days }];
    }),
  );
}
