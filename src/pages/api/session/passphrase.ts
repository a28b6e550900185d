import { ownPassphrase } from '~/schema/records/people/person';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { insideOf } from '~/server/people/bench';
import { setCookie } from '~/server/people/cookie';
import { hashOf } from '~/server/people/passphrase';
import { openSession } from '~/server/store/repositories/sessions';
import { setPassphrase } from '~/server/store/repositories/people';

/** Another passphrase of one's own: every other place is signed out, this one stays. */
export const PATCH = endpoint(async (context) => {
  const { db } = context.locals;
  const { door, person } = insideOf(context.locals);
  const { current, passphrase } = parseInput(ownPassphrase, await readJson(context));
  await door.admit({ initials: person.initials, passphrase: current }, context.locals.address);
  setPassphrase(db, person.id, await hashOf(passphrase));
  setCookie(context, openSession(db, person.id, Date.now()));
  return {};
});
