import { newPerson } from '~/schema/records/people/person';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { insideOf } from '~/server/people/bench';
import { hashOf } from '~/server/people/passphrase';
import { addPerson } from '~/server/store/repositories/people';

export const POST = endpoint(async (context) => {
  insideOf(context.locals);
  const { passphrase, ...person } = parseInput(newPerson, await readJson(context));
  return addPerson(context.locals.db, person, await hashOf(passphrase));
}, 201);
