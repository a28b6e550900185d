import type { BoardRecord } from '~/schema/records/board/board';
import type { RecapRecord } from '~/schema/records/jobs/recap';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';

/** One site as a whole-board job may take it up. */
export interface RecapCandidate {
  readonly id: string;
  readonly ref: string;
  readonly value: string;
  readonly family: string;
  /** Jobs on it that were closed since the newest kept whole-board job. */
  readonly done: boolean;
}

/** All that a whole-board job starts from. */
export interface RecapSheet {
  readonly board: BoardRecord;
  readonly sites: readonly RecapCandidate[];
  readonly groups: readonly SiteGroupRecord[];
  /** Kept ones, newest first. */
  readonly kept: readonly RecapRecord[];
}
