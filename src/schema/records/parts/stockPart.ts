import { z } from 'zod';
import { PART_MOVES, PART_STATES } from '~/core/electrical/parts/stock';
import { partInput, readingInput } from '~/schema/exchange/parts/part';
import { initials, oneOf, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

const MOST_PARTS = 1_000_000;

const line = z.strictObject({
  part: partInput,
  drawer: text(0, 40).default(''),
  batch: text(0, 40).default(''),
  /** How many there are. */
  count: wholeNumber(0, MOST_PARTS),
  /** Under this many it is time to order. */
  low: wholeNumber(0, MOST_PARTS).default(0),
  state: oneOf(PART_STATES).default('released'),
  /** Why it is held or rejected. */
  because: text(0, 200).default(''),
  by: initials,
});

/** What is not released says why: the next hand must know. */
const saysWhy = ({ state, because }: { readonly state: string; readonly because: string }): boolean =>
  state === 'released' || because.trim() !== '';
const WHY = { path: ['because'], error: 'is empty; say why it is held or rejected' };

/** A line of parts in a drawer: alike in every figure, of one batch. */
export const newStockPart = line.refine(saysWhy, WHY);
export type NewStockPart = z.infer<typeof newStockPart>;

export const stockPartRecord = line.omit({ count: true, by: true }).extend({
  id: recordId,
  revision: z.int().min(1),
});
export type StockPartRecord = z.infer<typeof stockPartRecord>;

/** A line with what its moves leave of it. */
export interface StockPart extends StockPartRecord {
  readonly count: number;
}

/** A change to a line, against the revision it was read at. */
export const stockPartChange = line
  .omit({ count: true, by: true })
  .extend({ revision: z.int().min(1) })
  .refine(saysWhy, WHY);
export type StockPartChange = z.infer<typeof stockPartChange>;

/** What a person writes of a line: how many came or went; of `counted`, how many there are. */
export const newPartMove = z.strictObject({
  reason: oneOf(PART_MOVES),
  amount: wholeNumber(0, MOST_PARTS),
  by: initials,
  /** Where one was fitted, or came from. */
  siteId: recordId.nullable().default(null),
});
export type NewPartMove = z.infer<typeof newPartMove>;

/** One entry of a line's ledger: appended, never changed; a miscount is put right by counting again. */
export const partMove = z.strictObject({
  id: recordId,
  partId: recordId,
  change: z.int().min(-MOST_PARTS).max(MOST_PARTS),
  reason: oneOf(PART_MOVES),
  siteId: recordId.nullable(),
  by: initials,
  at_ms: whenever_ms,
});
export type PartMove = z.infer<typeof partMove>;

/** What a meter read of one of a line, and what it was judged. Appended, never changed. */
export const newPartReading = z.strictObject({ reading: readingInput, by: initials });

export const partReading = z.strictObject({
  id: recordId,
  partId: recordId,
  reading: readingInput,
  verdict: oneOf(['good', 'doubtful', 'dead', 'nothing-to-judge']),
  reason: text(0, 400),
  by: initials,
  at_ms: whenever_ms,
});
export type PartReading = z.infer<typeof partReading>;
