import type { RunEvent } from './runEvents';
import { standingEvents } from './standing';

/** One heating of one pad, its own or a share of a neighbour's. */
export interface PadExposure {
  readonly padId: string;
  readonly at_ms: number;
  readonly by: string;
  /** Share of the pad's bond budget. */
  readonly dose: number;
  readonly peak_C: number;
  readonly duration_s: number;
  /** Where the heat was meant for another pad: that pad. */
  readonly sharedFrom: string | null;
}

/** What a history of heat is read from: jobs with their entries, and which pad a job's names stand for. */
export interface HeatedJob {
  readonly siteId: string;
  readonly events: readonly RunEvent[];
}

interface NamedPads {
  readonly id: string;
  readonly pads: readonly { readonly id: string; readonly name: string }[];
}

/** Every exposure of every pad in order of time. Entries whose pad is gone are passed over. */
export function exposuresOf(jobs: readonly HeatedJob[], sites: readonly NamedPads[]): PadExposure[] {
  const idOf = new Map(
    sites.flatMap((site) => site.pads.map((pad) => [`${site.id} ${pad.name}`, pad.id] as const)),
  );
  const known = new Set(idOf.values());
  return jobs
    .flatMap(({ siteId, events }) =>
      standingEvents(events).flatMap((event): PadExposure[] => {
        if (event.kind !== 'exposure') return [];
        const padId = idOf.get(`${siteId} ${event.pad}`);
        const { at_ms, by, duration_s } = event;
        const own =
          padId === undefined
            ? []
            : [{ padId, at_ms, by, duration_s, dose: event.padDose, peak_C: event.peak_C, sharedFrom: null }];
        const shares = (event.others ?? [])
          .filter((other) => known.has(other.padId))
          .map((other) => ({
            padId: other.padId,
            at_ms,
            by,
            duration_s,
            dose: other.padDose,
            peak_C: other.peak_C,
            sharedFrom: padId ?? null,
          }));
        return [...own, ...shares];
      }),
    )
    .sort((a, b) => a.at_ms - b.at_ms);
}

/** Dose spent by pad. */
export function spentByPad(exposures: readonly PadExposure[]): Map<string, number> {
  const spent = new Map<string, number>();
  for (const { padId, dose } of exposures) spent.set(padId, (spent.get(padId) ?? 0) + dose);
  return spent;
}

/** The thermal life of several pads on one line: that of the pad with the least left, and the heat of the rest beside it. */
export interface SharedLife {
  readonly worstPadId: string;
  readonly spent: number;
  /** Exposures in order; those of the worst pad spend the line's budget. */
  readonly exposures: readonly PadExposure[];
  /** Pads that took heat of their own. */
  readonly heated: number;
}

/** Null where no heat is recorded. */
export function sharedLife(exposures: readonly PadExposure[]): SharedLife | null {
  const spent = [...spentByPad(exposures)];
  if (spent.length === 0) return null;
  const [worstPadId, most] = spent.reduce((a, b) => (b[1] > a[1] ? b : a));
  const own = exposures.filter((e) => e.sharedFrom === null);
  return {
    worstPadId,
    spent: most,
    // Another pad's share of one touch would draw the same touch again.
    exposures: exposures.filter((e) => e.padId === worstPadId || e.sharedFrom === null),
    heated: new Set(own.map((e) => e.padId)).size,
  };
}
