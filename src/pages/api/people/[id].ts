import { personChange } from '~/schema/records/people/person';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { insideOf } from '~/server/people/bench';
import { hashOf } from '~/server/people/passphrase';
import { changePerson } from '~/server/store/repositories/people';

export const PATCH = endpoint(async (context) => {
  insideOf(context.locals);
  const { passphrase, ...change } = parseInput(personChange, await readJson(context));
  const hash = passphrase === null ? null : await hashOf(passphrase);
  return changePerson(context.locals.db, context.params['id']!, change, hash);
});
