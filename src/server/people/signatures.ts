import { randomBytes } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import { Refused } from '~/server/store/errors';
import type { SignedIn } from '~/server/store/repositories/sessions';

/** The header by which a request carries a lead's signature. */
export const SIGNATURE_HEADER = 'x-lead-signature';

/** A lead who stands beside the bench signs one thing, now. */
const GOOD_FOR_ms = 5 * 60_000;
const given = new LRUCache<string, string>({ max: 1000, ttl: GOOD_FOR_ms });

/** A signature of a lead, good for one entry. */
export function signatureOf(lead: SignedIn): string {
  const token = randomBytes(24).toString('base64url');
  given.set(token, lead.initials);
  return token;
}

/**
 * Who signs what only a lead may: whoever is signed in as one, or the lead whose signature came with the request. Null
 * on a bench that nobody signs in to. Throws `Refused` where no lead has signed.
 */
export function leadFor(person: SignedIn | null, request: Request): string | null {
  if (!person) return null;
  if (person.role === 'lead') return person.initials;
  const token = request.headers.get(SIGNATURE_HEADER);
  const lead = token === null ? undefined : given.get(token);
  if (lead === undefined) throw new Refused('needs-lead', 'a lead signs this; nothing was written');
  given.delete(token!);
  return lead;
}
