import type { BoardRecord } from '~/schema/records/board/board';
import type { RecapRecord } from '~/schema/records/jobs/recap';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';
import type { RoundSheet } from './roundSheet';

/** One site as a whole-board job may take it up. */
export interface RecapCandidate {
  readonly id: string;
  readonly ref: string;
  readonly value: string;
  readonly family: string;
}

/** A whole-board job that was decided on, and how far it is. */
export interface KeptRound {
  readonly recap: RecapRecord;
  readonly round: RoundSheet;
}

/** All that a whole-board job starts from. */
export interface RecapSheet {
  readonly board: BoardRecord;
  readonly sites: readonly RecapCandidate[];
  readonly groups: readonly SiteGroupRecord[];
  /** The one that was begun and has parts left, else the one that was kept last; null where none was. */
  readonly kept: KeptRound | null;
}
