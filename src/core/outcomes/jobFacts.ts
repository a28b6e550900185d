import type { Goal } from '~/core/method/goals';
import type { Outcome } from '~/core/record/outcomes';
import type { Dwell } from '~/core/record/runState';
import type { RunEvent } from '~/core/record/runEvents';
import type { HarmId } from './harms';
import type { RootCauseId } from '~/core/record/rootCauses';

/** How a joint reaches copper, by its pad with the most. */
export const COPPER_CLASSES = ['isolated', 'track', 'thermal-relief', 'solid-plane'] as const;
export type CopperClass = (typeof COPPER_CLASSES)[number];

/** One touch as it was foretold and as it went; `molten` false: held so long and not seen molten. */
export interface MeltSeen {
  readonly pad: string;
  readonly p10_s: number | null;
  readonly p50_s: number | null;
  readonly p90_s: number | null;
  readonly seen_s: number;
  readonly molten: boolean;
}

/** How the touches of one job held against their bands, and how late each was: seen over expected, of those that melted. */
export interface TouchesHeld {
  readonly early: number;
  readonly within: number;
  readonly late: number;
  readonly ratios: readonly number[];
}

/** What statistics count of one closed job. */
export interface JobFacts {
  readonly jobId: string;
  readonly boardId: string;
  readonly siteId: string;
  readonly ref: string;
  readonly boardName: string;
  readonly laminate: string;
  readonly layers: number;
  /** Year the board was made; null where nobody knows. */
  readonly madeIn: number | null;
  readonly alloy: string;
  readonly copper: CopperClass;
  readonly family: string;
  readonly goal: Goal;
  readonly by: string;
  readonly method: string;
  readonly toolId: string;
  readonly tool: string;
  readonly tip: string;
  readonly setpoint_C: number;
  readonly outcome: Outcome;
  readonly rootCause: RootCauseId | null;
  readonly acceptedAt_ms: number;
  readonly closedAt_ms: number;
  /** Of work, without the pauses in it. */
  readonly minutes: number;
  /** Distinct joints that were heated, and how often. */
  readonly joints: number;
  readonly heats: number;
  readonly harms: Readonly<Record<HarmId, number>>;
  /** Dose of its worst land, as foretold and as reckoned from what was done; null: not known. */
  readonly foretoldDose: number | null;
  readonly dose: number | null;
  readonly peak_C: number | null;
  readonly touches: TouchesHeld;
}

/** What is told of a plan: where a touch was expected to melt. */
interface PlannedPin {
  readonly pad: string;
  readonly pads: readonly string[];
  readonly melt_s: { readonly p10: number | null; readonly p50: number | null; readonly p90: number | null };
}

/** A pause as long as this is no work: somebody left the bench (common practice of time studies). */
const PAUSE_ms = 15 * 60_000;

/** Minutes of work between a job's entries; longer gaps count as nothing. */
export function minutesOf(events: readonly Pick<RunEvent, 'at_ms'>[]): number {
  let sum = 0;
  for (let i = 1; i < events.length; i++) {
    const gap = events[i]!.at_ms - events[i - 1]!.at_ms;
    if (gap > 0 && gap <= PAUSE_ms) sum += gap;
  }
  return sum / 60_000;
}

/** Touches that were foretold and seen to melt, or held and not seen to: the first of each pad in each step. */
export function meltsOf(
  pins: readonly (PlannedPin & { readonly stepIds: ReadonlySet<string> })[],
  dwells: readonly Dwell[],
): MeltSeen[] {
  const seen = new Set<string>();
  return dwells.flatMap(({ stepId, pad, melted_s, off_s }): MeltSeen[] => {
    const pin = pins.find((p) => p.stepIds.has(stepId) && (p.pad === pad || p.pads.includes(pad)));
    const key = `${stepId} ${pad}`;
    const seen_s = melted_s ?? off_s;
    // What is warm already from the touch before melts sooner than was foretold.
    if (!pin || seen_s === null || seen.has(key)) return [];
    seen.add(key);
    const { p10, p50, p90 } = pin.melt_s;
    return [{ pad, p10_s: p10, p50_s: p50, p90_s: p90, seen_s, molten: melted_s !== null }];
  });
}

/** Worst dose of one land over a job's heatings, and the highest peak; null where none was reckoned. */
export function dosesOf(dwells: readonly Dwell[]): { dose: number | null; peak_C: number | null } {
  const byPad = new Map<string, number>();
  let peak_C: number | null = null;
  for (const { pad, exposure } of dwells) {
    if (!exposure) continue;
    byPad.set(pad, (byPad.get(pad) ?? 0) + exposure.padDose);
    peak_C = Math.max(peak_C ?? -Infinity, exposure.peak_C);
  }
  return { dose: byPad.size > 0 ? Math.max(...byPad.values()) : null, peak_C };
}

/** The connection class of a joint: of all its pads the one with the most copper. */
export const copperOf = (kinds: readonly CopperClass[]): CopperClass =>
  COPPER_CLASSES[Math.max(0, ...kinds.map((kind) => COPPER_CLASSES.indexOf(kind)))]!;
