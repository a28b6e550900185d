import type { BackupsKept } from './backupsKept';
import type { SupplyMove, StockedSupply } from '~/schema/records/rig/supply';
import type { TipLessonBody } from '~/schema/records/rig/benchLesson';
import type { ToolRecord } from '~/schema/records/rig/tool';

/** All that the Rig is drawn from. */
export interface RigSheet {
  readonly tools: readonly ToolRecord[];
  /** What closed jobs have taught of their tips. */
  readonly lessons: readonly TipLessonBody[];
  readonly supplies: readonly StockedSupply[];
  /** The last moves of stock, newest first. */
  readonly moves: readonly SupplyMove[];
  readonly backups: BackupsKept;
  readonly now_ms: number;
}
