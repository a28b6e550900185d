import { z } from 'zod';
import { ROLES, SHORTEST_PASSPHRASE } from '~/core/record/roles';
import { initials, oneOf, recordId, text, wholeNumber } from '~/schema/values/fields';

const passphrase = z
  .string({ error: 'is missing; give a passphrase' })
  .min(SHORTEST_PASSPHRASE, { error: `is too short; take at least ${SHORTEST_PASSPHRASE} characters` })
  .max(200, { error: 'is too long; keep it to 200 characters' });

export const newPerson = z.strictObject({
  initials,
  name: text(1, 80),
  role: oneOf(ROLES),
  passphrase,
});
export type NewPerson = z.infer<typeof newPerson>;

/** One of those who work here, without anything that opens a door. */
export const personRecord = newPerson.omit({ passphrase: true }).extend({
  id: recordId,
  /** Works here no more: signs in no longer, and stays in what was signed. */
  left: z.boolean(),
  revision: wholeNumber(1, 1_000_000),
});
export type PersonRecord = z.infer<typeof personRecord>;

/** A change by a lead; initials stay, as entries are signed with them. A passphrase given here replaces the one before. */
export const personChange = z.strictObject({
  name: text(1, 80),
  role: oneOf(ROLES),
  left: z.boolean(),
  passphrase: passphrase.nullable().default(null),
  revision: wholeNumber(1, 1_000_000),
});
export type PersonChange = z.infer<typeof personChange>;

/** Whoever is at the door. A wrong passphrase of any length is only wrong. */
export const credentials = z.strictObject({
  initials,
  passphrase: z.string({ error: 'is missing; give your passphrase' }).min(1).max(200),
});
export type Credentials = z.infer<typeof credentials>;

/** One's own passphrase, changed by whoever knows the one before. */
export const ownPassphrase = z.strictObject({
  current: z.string({ error: 'is missing; give the passphrase you have now' }).min(1).max(200),
  passphrase,
});
