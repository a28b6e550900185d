import type { Goal } from '~/core/method/goals';
import type { Outcome } from '~/core/record/outcomes';
import type { Dwell } from '~/core/record/runState';
import type { RunEvent } from '~/core/record/runEvents';
import type { HarmId } from './harms';
import { PAUSE_s } from '~/core/method/pace';
import type { ForetoldId, Held } from './foretold';
import type { RootCauseId } from '~/core/record/rootCauses';

/** How a joint reaches copper, by its pad with the most. */
export const COPPER_CLASSES = ['isolated', 'track', 'thermal-relief', 'solid-plane'] as const;
export type CopperClass = (typeof COPPER_CLASSES)[number];

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
  readonly held: Readonly<Record<ForetoldId, Held>>;
  /** Solder and flux it was done with, each with its batch where one was told; empty: none. */
  readonly solder: string;
  readonly flux: string;
}

/** Minutes of work between a job's entries; longer gaps count as nothing. */
export function minutesOf(events: readonly Pick<RunEvent, 'at_ms'>[]): number {
  let sum = 0;
  for (let i = 1; i < events.length; i++) {
    const gap = events[i]!.at_ms - events[i - 1]!.at_ms;
    if (gap > 0 && gap <= 1000 * PAUSE_s) sum += gap;
  }
  return sum / 60_000;
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
