import type { BoardRecord } from '~/schema/records/board/board';
import type { SiteSheet } from './boardSheet';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';

/** What a site's continuity sheet is drawn from. */
export interface CheckSheet {
  readonly board: BoardRecord;
  readonly siteId: string;
  readonly sites: readonly SiteSheet[];
  readonly readings: readonly ContinuityReadingRecord[];
  readonly findings: readonly FindingRecord[];
}

/** A reading as it was written, and the finding that a failed one became. */
export interface ContinuityReadingTaken {
  readonly reading: ContinuityReadingRecord;
  readonly finding: FindingRecord | null;
}
