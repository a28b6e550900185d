import { JOINT } from './settings';
import type { JointRun } from './simulate';

/** Whether suction clears the hole, and what would hold. */
export interface Suction {
  readonly clears: boolean;
  /** Coldest solder at the moment suction starts, K, and where it is. */
  readonly coldest_K: number;
  readonly where: JointRun['solder'][number]['where'];
  /** How far that is over liquidus plus margin; negative: it holds. */
  readonly room_K: number;
}

/**
 * A gun clears a hole when the whole barrel is liquid by a margin as suction starts: the air it draws
 * chills the barrel at once, so what is not molten then stays.
 */
export function suctionAt(run: JointRun, trigger_s: number, liquidus_K: number): Suction {
  const row = Math.max(
    1,
    run.time_s.findIndex((t) => t >= trigger_s),
  );
  const before = run.time_s[row - 1]!;
  const share = Math.min(1, Math.max(0, (trigger_s - before) / (run.time_s[row]! - before)));
  let coldest_K = Infinity;
  let where = run.solder[0]!.where;
  for (const lump of run.solder) {
    const { history_K } = lump;
    const at_K = history_K[row - 1]! + share * (history_K[row]! - history_K[row - 1]!);
    if (at_K < coldest_K) {
      coldest_K = at_K;
      where = lump.where;
    }
  }
  const room_K = coldest_K - liquidus_K - JOINT.suctionMargin_K;
  return { clears: room_K >= 0, coldest_K, where, room_K };
}
