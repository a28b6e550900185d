import { z } from 'zod';
import { LEAST_FIND, MOST_FIND } from '~/schema/sheets/benchSheet';
import { parseInput } from '~/schema/values/faults';
import { text } from '~/schema/values/fields';
import { endpoint } from '~/server/http/respond';
import { benchFinds } from '~/server/boards/benchSheet';

const asked = z.strictObject({ find: text(LEAST_FIND, MOST_FIND) });

/** Boards by what is told of them or is on them: a part's reference or value, a finding at a pad. */
export const GET = endpoint(({ url, locals }) => {
  const { find } = parseInput(asked, { find: url.searchParams.get('find') ?? '' });
  return benchFinds(locals.db, find);
});
