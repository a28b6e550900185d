import { z } from 'zod';
import type { BoardEntry, BoardEntryBody } from '~/core/record/boardEntries';
import { CLOCK_KINDS } from '~/core/record/boardClock';
import { AWAITS } from '~/core/record/runEvents';
import { OCCUPANCY_KINDS, type OccupancyTold } from '~/core/record/occupancy';
import { OUTCOMES } from '~/core/record/outcomes';
import { initials, oneOf, quantity, recordId, text, whenever_ms } from '~/schema/values/fields';

/** What may be told of a part; half off is only ever seen on a job. */
const TOLD = OCCUPANCY_KINDS.filter((kind) => kind !== 'half-off') as [
  OccupancyTold['is'],
  ...OccupancyTold['is'][],
];

const reason = text(1, 400);

/** A year: what is longer is a date to come back on, and parked for. */
const LONGEST_CLOCK_s = 366 * 86_400;

const boardEntryBody = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('part'),
      siteId: recordId,
      is: oneOf(TOLD),
      what: text(0, 80).default(''),
      where: text(0, 80).default(''),
    }),
    z.strictObject({
      kind: z.literal('settled'),
      as: oneOf(['deferred', 'accepted']),
      item: text(1, 400),
      says: text(1, 600),
      reason,
      signedBy: initials.optional(),
    }),
    z.strictObject({ kind: z.literal('tested'), how: text(1, 400), passed: z.boolean() }),
    z.strictObject({
      kind: z.literal('parked'),
      awaits: oneOf(AWAITS),
      what: text(1, 160),
      due_ms: whenever_ms.nullable().default(null),
    }),
    z.strictObject({ kind: z.literal('resumed') }),
    z.strictObject({
      kind: z.literal('handed-back'),
      outcome: oneOf(OUTCOMES),
      cause: text(0, 600).default(''),
      signedBy: initials.optional(),
    }),
    z.strictObject({ kind: z.literal('scrapped'), cause: text(1, 600) }),
    z.strictObject({ kind: z.literal('reopened'), reason }),
    z.strictObject({
      kind: z.literal('clock-started'),
      clock: oneOf(CLOCK_KINDS),
      what: text(0, 120).default(''),
      siteId: recordId.nullable().default(null),
      jobId: recordId.nullable().default(null),
      stepId: text(1, 64).nullable().default(null),
      length_s: quantity('s', 1, LONGEST_CLOCK_s),
    }),
    z.strictObject({ kind: z.literal('clock-moved'), clockId: recordId, due_ms: whenever_ms, reason }),
    z.strictObject({ kind: z.literal('clock-ended'), clockId: recordId, reason: text(0, 400).default('') }),
  ],
  {
    error:
      'kind must be one of part, settled, tested, parked, resumed, handed-back, scrapped, reopened, clock-started, clock-moved, clock-ended',
  },
) satisfies z.ZodType<BoardEntryBody>;

/** Something that happens to a board, as a screen writes it; `clientId` makes a retry harmless. */
export const newBoardEntry = z.strictObject({ clientId: recordId, by: initials, body: boardEntryBody });
export type NewBoardEntry = z.infer<typeof newBoardEntry>;

export const boardEntryRow = z.strictObject({
  id: recordId,
  boardId: recordId,
  at_ms: whenever_ms,
  by: initials,
  body: boardEntryBody,
});
export type BoardEntryRow = z.infer<typeof boardEntryRow>;

export const boardEntryOf = ({ id, at_ms, by, body }: BoardEntryRow): BoardEntry => ({
  ...body,
  id,
  at_ms,
  by,
});
