import { z } from 'zod';
import { initials, oneOf, recordId, text, whenever_ms } from '~/schema/values/fields';
import { recapAnswer } from '~/schema/exchange/recap/recapAnswer';

/** What a screen asks to be kept. */
export const newRecap = z.strictObject({
  name: text(1, 80),
  by: initials,
  order: oneOf(['value', 'area']),
  siteIds: z.array(recordId).min(1, { error: 'is empty; choose at least one site' }).max(200),
  answer: recapAnswer,
});
export type NewRecap = z.infer<typeof newRecap>;

/** A whole-board job that was decided on: its sites in order, and the plan it was made from. */
export const recapRecord = newRecap.extend({
  id: recordId,
  boardId: recordId,
  at_ms: whenever_ms,
});
export type RecapRecord = z.infer<typeof recapRecord>;

/** Taking up a part of it: the next one, or the one named. */
export const takeUp = z.strictObject({ by: initials, siteId: recordId.optional() });
export type TakeUp = z.infer<typeof takeUp>;
