import type { JobFacts } from '~/core/outcomes/jobFacts';
import type { JobNamed } from '~/schema/sheets/outcomesSheet';

/** What names a job to whoever reads a list. */
export const jobNamed = ({ jobId, boardId, boardName, ref, by, closedAt_ms }: JobFacts): JobNamed => ({
  jobId,
  boardId,
  boardName,
  ref,
  by,
  closedAt_ms,
});
