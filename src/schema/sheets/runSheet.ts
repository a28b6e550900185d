import type { RunEvent } from '~/core/record/runEvents';
import type { BoardRecord } from '~/schema/records/board/board';
import type { SiteSheet } from './boardSheet';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { JobRecord } from '~/schema/records/jobs/job';

/** All that a job's sheet starts from. */
export interface RunSheet {
  /** Without what it was planned from, which stays with the record. */
  readonly job: Omit<JobRecord, 'request'>;
  readonly events: readonly RunEvent[];
  readonly board: BoardRecord;
  readonly site: SiteSheet;
  readonly findings: readonly FindingRecord[];
  readonly now_ms: number;
}
