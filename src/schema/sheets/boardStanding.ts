import type { BoardEntry, BoardStage } from '~/core/record/boardEntries';
import type { Occupancy } from '~/core/record/occupancy';
import type { SettledItem } from '~/core/record/openItem';
import type { BoardRecord } from '~/schema/records/board/board';

/** What of a board changes with what is written of it: its stage, what is open, what stands on each site. */
export interface BoardStanding {
  readonly board: BoardRecord;
  readonly stage: BoardStage;
  readonly open: readonly SettledItem[];
  readonly entries: readonly BoardEntry[];
  /** By the site's id. */
  readonly occupancies: Readonly<Record<string, Occupancy>>;
}
