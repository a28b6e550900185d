import { z } from 'zod';
import { ORDER_STATES } from '~/core/electrical/parts/stock';
import { initials, oneOf, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

const orderLine = z.strictObject({ partId: recordId, count: wholeNumber(1, 1e6) });

/** Parts that are on their way: what was ordered where, until when, and which boards wait for it. */
export const newPartOrder = z.strictObject({
  supplier: text(1, 80),
  expected_ms: whenever_ms.nullable().default(null),
  lines: z.array(orderLine).min(1, { error: 'is empty; an order has at least one part' }).max(200),
  boards: z.array(recordId).max(50).default([]),
  by: initials,
});
export type NewPartOrder = z.infer<typeof newPartOrder>;

export const partOrderRow = newPartOrder.extend({
  id: recordId,
  state: oneOf(ORDER_STATES),
  at_ms: whenever_ms,
  ended_ms: whenever_ms.nullable(),
  revision: z.int().min(1),
});
export type PartOrderRow = z.infer<typeof partOrderRow>;

/** What came of an order, against the revision it was read at; less than was ordered where less came. */
export const orderArrived = z.strictObject({
  received: z
    .array(
      z.strictObject({
        partId: recordId,
        count: wholeNumber(0, 1e6),
        /** As it stands on the bag. */
        batch: text(0, 40).default(''),
      }),
    )
    .max(200),
  by: initials,
  revision: z.int().min(1),
});
export type OrderArrived = z.infer<typeof orderArrived>;
