import type { Dwell } from '~/core/record/runState';
import { PLAN } from '~/core/method/settings';
import type { Seen } from './bench';

/**
 * What a job's heatings tell of its bench, in their order: each that ended or was seen to melt, but one that came onto a pin
 * still warm from its last.
 */
export function seenIn(dwells: readonly Dwell[], stepIds: ReadonlySet<string>): Seen[] {
  const off_ms = new Map<string, number>();
  return dwells.flatMap((dwell): Seen[] => {
    const { pad, on_ms, off_s, melted_s, stepId } = dwell;
    const warm = on_ms - (off_ms.get(pad) ?? -Infinity) < PLAN.coolAgain_s * 1e3;
    if (off_s !== null) off_ms.set(pad, on_ms + off_s * 1e3);
    if (warm || !stepIds.has(stepId) || (melted_s === null && off_s === null)) return [];
    return [{ touch: pad, melted_s, held_s: off_s ?? melted_s! }];
  });
}
