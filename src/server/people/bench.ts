import { NotFound } from '~/server/store/errors';
import type { Door } from './door';
import type { SignedIn } from '~/server/store/repositories/sessions';

/** The door of a bench that people sign in to; elsewhere there is nothing at its addresses. */
export function doorOf({ door }: { readonly door: Door | null }): Door {
  if (!door) throw new NotFound('the address', 'of signing in');
  return door;
}

/** Whoever is signed in, and the door that they came by. */
export function insideOf({
  door,
  person,
}: {
  readonly door: Door | null;
  readonly person: SignedIn | null;
}): {
  readonly door: Door;
  readonly person: SignedIn;
} {
  if (!door || !person) throw new NotFound('the address', 'of signing in');
  return { door, person };
}
