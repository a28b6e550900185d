import type { RunEvent } from '~/core/record/runEvents';
import type { BoardRecord } from '../records/board/board';
import type { SiteSheet } from './boardSheet';
import type { FindingRecord } from '../records/site/finding';
import type { JobRecord } from '../records/work/job';

/** All that a job's sheet starts from. */
export interface RunSheet {
  readonly job: JobRecord;
  readonly events: readonly RunEvent[];
  readonly board: BoardRecord;
  readonly site: SiteSheet;
  readonly findings: readonly FindingRecord[];
  readonly now_ms: number;
}
