import { keepsPart, type Goal } from '~/core/method/goals';
import type { RunEvent } from './runEvents';
import { runState, TOGETHER, type RunStep } from './runState';

interface OccupancyTraits {
  readonly name: string;
  /** Stands beside the reference on the face; the outline's shape says the same again. */
  readonly mark: string;
  readonly shape: 'whole' | 'half' | 'ghost' | 'socket';
  /** No part is left on the lands. */
  readonly empty: boolean;
}

/** What can stand on a site. */
export const OCCUPANCIES = {
  fitted: { name: 'fitted', mark: '', shape: 'whole', empty: false },
  'half-off': { name: 'half off', mark: 'half off', shape: 'half', empty: false },
  'off-kept': { name: 'off, kept', mark: 'off', shape: 'ghost', empty: true },
  'off-given-up': { name: 'off, given up', mark: 'off', shape: 'ghost', empty: true },
  'never-populated': { name: 'never populated', mark: 'none', shape: 'ghost', empty: true },
  'socket-empty': { name: 'socket, empty', mark: 'socket', shape: 'socket', empty: false },
  'socket-filled': { name: 'socket, filled', mark: '', shape: 'whole', empty: false },
} as const satisfies Record<string, OccupancyTraits>;

export type OccupancyKind = keyof typeof OCCUPANCIES;
export const OCCUPANCY_KINDS = Object.keys(OCCUPANCIES) as [OccupancyKind, ...OccupancyKind[]];

/** What stands on a site, since when, and what the record has it from. */
export interface Occupancy {
  readonly kind: OccupancyKind;
  /** Null: as the board came. */
  readonly since_ms: number | null;
  readonly by: string;
  /** The job that made it so; null where it came so or was told. */
  readonly jobId: string | null;
  /** What is fitted, as it was told; empty where nothing was said. */
  readonly what: string;
  /** Where a part that is off lies. */
  readonly where: string;
  /** Pins of a part that is half off which move freely. */
  readonly freePads: readonly string[];
  /** The part came off and its lands were not dressed since. */
  readonly undressed: boolean;
  /** Low-melt alloy was flooded over its lands, and was not wicked off since. */
  readonly lowMeltLeft: boolean;
}

export const AS_IT_CAME: Occupancy = {
  kind: 'fitted',
  since_ms: null,
  by: '',
  jobId: null,
  what: '',
  where: '',
  freePads: [],
  undressed: false,
  lowMeltLeft: false,
};

/** A job as far as what it did to the part is concerned. */
export interface JobTrace {
  readonly id: string;
  readonly siteId: string;
  readonly goal: Goal;
  readonly status: 'running' | 'closed';
  readonly outcome: string | null;
  /** The whole board's job it is part of; null where it stands alone. */
  readonly recapId: string | null;
  readonly steps: readonly RunStep[];
  readonly events: readonly RunEvent[];
}

/** What a person said of a site, outside of any job. */
export interface OccupancyTold {
  readonly siteId: string;
  readonly at_ms: number;
  readonly by: string;
  readonly is: Exclude<OccupancyKind, 'half-off'>;
  readonly what: string;
  readonly where: string;
}

/** No part is left on the lands: it is no neighbour, and nothing shades them. */
export const isEmpty = ({ kind }: Pick<Occupancy, 'kind'>): boolean => OCCUPANCIES[kind].empty;

/** What stands on one site: the last of what its jobs did and what was told of it. */
export function occupancyOf(
  siteId: string,
  jobs: readonly JobTrace[],
  told: readonly OccupancyTold[],
): Occupancy {
  const changes: Occupancy[] = [
    ...jobs.filter((job) => job.siteId === siteId).flatMap(changesBy),
    ...told
      .filter((entry) => entry.siteId === siteId)
      .map(({ is, at_ms, by, what, where }) => ({
        ...AS_IT_CAME,
        kind: is,
        since_ms: at_ms,
        by,
        what,
        where,
      })),
  ];
  return changes.reduce(
    (last, next) => ((next.since_ms ?? 0) >= (last.since_ms ?? 0) ? next : last),
    AS_IT_CAME,
  );
}

/** What each step of a job that took a part off or put one on made of its site. */
function changesBy({ id, goal, steps, events }: JobTrace): Occupancy[] {
  const state = runState(steps, events);
  const changes = steps.flatMap((step): Occupancy[] => {
    const done = step.effect && state.done.get(step.id);
    if (!done) return [];
    const { at_ms, by, where } = done;
    const made = { ...AS_IT_CAME, since_ms: at_ms, by, jobId: id };
    if (step.effect === 'part-on')
      return [{ ...made, kind: goal === 'fit-socket' ? 'socket-empty' : 'fitted' }];
    const owed = (name: RegExp): boolean => {
      const found = steps.find((s) => name.test(s.id));
      return found !== undefined && !state.done.has(found.id);
    };
    const undressed = owed(/(^|-)dress$/);
    const lowMeltLeft = owed(/(^|-)wick-clean$/);
    return [{ ...made, kind: keepsPart(goal) ? 'off-kept' : 'off-given-up', where, undressed, lowMeltLeft }];
  });
  const off = steps.find((step) => step.effect === 'part-off');
  if (!off || state.done.has(off.id)) return changes;
  const freed = state.dwells.filter(
    (d) =>
      d.melted_s !== null &&
      d.off_s !== null &&
      d.pad !== TOGETHER &&
      steps.find((s) => s.id === d.stepId)?.phase === 'remove',
  );
  const last = freed.at(-1);
  if (!last) return changes;
  return [
    ...changes,
    {
      ...AS_IT_CAME,
      kind: 'half-off',
      since_ms: last.on_ms,
      by: events.find((e) => e.seq === last.onSeq)?.by ?? '',
      jobId: id,
      freePads: [...new Set(freed.map((d) => d.pad))],
    },
  ];
}

/** What is said of a site where a part's name would stand. */
export function occupancyInWords(o: Occupancy): string {
  switch (o.kind) {
    case 'fitted':
      return o.what ? `fitted: ${o.what}` : 'fitted';
    case 'half-off':
      return `half off: pin${o.freePads.length > 1 ? 's' : ''} ${o.freePads.join(', ')} free`;
    case 'off-kept':
      return o.where ? `off, kept: ${o.where}` : 'off, kept; where it lies was not said';
    case 'off-given-up':
      return o.what ? `off: ${o.what}` : OCCUPANCIES[o.kind].name;
    case 'socket-filled':
      return o.what ? `socket, filled: ${o.what}` : 'socket, filled';
    default:
      return OCCUPANCIES[o.kind].name;
  }
}
