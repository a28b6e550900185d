import { z } from 'zod';
import { CLOCK_KINDS, type BoardClock } from '~/core/record/boardClock';
import { oneOf, recordId, text, whenever_ms } from '~/schema/values/fields';

export const boardClockRow = z.strictObject({
  id: recordId,
  boardId: recordId,
  kind: oneOf(CLOCK_KINDS),
  what: text(0, 120),
  siteId: recordId.nullable(),
  jobId: recordId.nullable(),
  stepId: text(1, 64).nullable(),
  started_ms: whenever_ms,
  due_ms: whenever_ms,
  ended_ms: whenever_ms.nullable(),
}) satisfies z.ZodType<BoardClock & { boardId: string }>;

export type BoardClockRow = z.infer<typeof boardClockRow>;
