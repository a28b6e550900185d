import type { BoardRecord } from '~/schema/records/board/board';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import type { RecapRecord } from '~/schema/records/work/recap';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';

/** One site as a whole-board job may take it up. */
export interface RecapCandidate {
  readonly id: string;
  readonly ref: string;
  readonly value: string;
  readonly family: string;
  readonly site: PlanInput['site'];
  readonly history: PlanInput['history'];
  /** Jobs on it that were closed since the newest kept whole-board job. */
  readonly done: boolean;
}

/** All that a whole-board job starts from. */
export interface RecapSheet {
  readonly board: BoardRecord;
  readonly sites: readonly RecapCandidate[];
  readonly groups: readonly SiteGroupRecord[];
  /** A request of the first site without its neighbours: what all of them share. */
  readonly base: PlanInput | null;
  /** Kept ones, newest first. */
  readonly kept: readonly RecapRecord[];
}
