import type { RunEvent } from '~/core/record/runEvents';
import type { BoardRecord } from '~/schema/records/board/board';
import type { RoundSheet } from './roundSheet';
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
  /** The whole board's job it is part of. */
  readonly round: RoundSheet | null;
  /** What the board asks of its supply, and what the bench's was last limited to; null where nobody said. */
  readonly supply: { readonly asks_V: number | null; readonly limit_A: number | null };
  readonly now_ms: number;
}
