import { credentials } from '~/schema/records/people/person';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { doorOf } from '~/server/people/bench';
import { signatureOf } from '~/server/people/signatures';
import { Refused } from '~/server/store/errors';

/** A lead beside the bench signs the next entry, without signing anybody out. */
export const POST = endpoint(async (context) => {
  const lead = await doorOf(context.locals).admit(
    parseInput(credentials, await readJson(context)),
    context.locals.address,
  );
  if (lead.role !== 'lead') throw new Refused('forbidden', `${lead.initials} is no lead; a lead signs this`);
  return { signature: signatureOf(lead) };
}, 201);
