import type { Part } from '../parts/part';

export type SwapVerdict = 'fit' | 'fit-with-note' | 'do-not-fit';

/** What the site does with the part, as far as it is known. */
export interface Circuit {
  readonly voltage_V?: number | undefined;
  readonly use?: (typeof USES)[number] | undefined;
  readonly input_V?: number | undefined;
  readonly current_A?: number | undefined;
  /** Of its heat sink to the air; null: none. */
  readonly heatSink_K_W?: number | null | undefined;
  readonly ambient_K?: number | undefined;
  /** The present one: parts age in their drawers. */
  readonly year?: number | undefined;
}
export const USES = [
  'filter',
  'coupling',
  'timing',
  'across-mains',
  'line-to-earth',
  'switching-output',
] as const;

/** One rule's word on a swap, with what it went by. */
export interface SwapCheck {
  readonly rule: string;
  readonly verdict: SwapVerdict;
  readonly numbers: Readonly<Record<string, number | string>>;
  readonly reason: string;
  /** What would make it fit; left out where nothing would, or it fits. */
  readonly turnedBy?: string | undefined;
}

/** A rule answers where it has something to say of such a pair. */
export type SwapRule = (original: Part, candidate: Part, circuit: Circuit) => SwapCheck | null;

export const ok = (rule: string, reason: string, numbers: SwapCheck['numbers'] = {}): SwapCheck => ({
  rule,
  verdict: 'fit',
  numbers,
  reason,
});
export const note = (
  rule: string,
  reason: string,
  numbers: SwapCheck['numbers'] = {},
  turnedBy?: string,
): SwapCheck => ({ rule, verdict: 'fit-with-note', numbers, reason, turnedBy });
export const no = (
  rule: string,
  reason: string,
  numbers: SwapCheck['numbers'] = {},
  turnedBy?: string,
): SwapCheck => ({ rule, verdict: 'do-not-fit', numbers, reason, turnedBy });
