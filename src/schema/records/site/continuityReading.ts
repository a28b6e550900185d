import { z } from 'zod';
import { VERDICTS } from '~/core/electrical/judgement';
import { initials, oneOf, quantity, recordId, text, whenever_ms } from '~/schema/values/fields';

const CONTINUITY_KINDS = ['continuity', 'short'] as const;
export type ContinuityKind = (typeof CONTINUITY_KINDS)[number];

/** What a meter showed between two pads of a checklist, as a person enters it; null is an open display. */
export const newContinuityReading = z.strictObject({
  kind: oneOf(CONTINUITY_KINDS),
  padId: recordId,
  otherPadId: recordId,
  value_Ohm: quantity('Ω', 0, 1e12).nullable(),
  note: text(0, 200).default(''),
  by: initials,
});
export type NewContinuityReading = z.infer<typeof newContinuityReading>;

/** A reading in the record, judged by the server; the next one between the same pads follows it. */
export const continuityReadingRecord = newContinuityReading.extend({
  id: recordId,
  boardId: recordId,
  siteId: recordId,
  limit_Ohm: quantity('Ω', 0, 1e12),
  verdict: oneOf(VERDICTS),
  at_ms: whenever_ms,
});
export type ContinuityReadingRecord = z.infer<typeof continuityReadingRecord>;
