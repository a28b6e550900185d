/** What may be done with a line of parts: a batch that was not tested or failed its test is not fitted. */
export const PART_STATES = ['released', 'held', 'rejected'] as const;
export type PartState = (typeof PART_STATES)[number];

/** How parts come and go. */
export const PART_MOVES = ['counted', 'bought', 'fitted', 'thrown', 'from-donor'] as const;
export type PartMoveReason = (typeof PART_MOVES)[number];

/** Where an order stands. */
export const ORDER_STATES = ['ordered', 'arrived', 'cancelled'] as const;
