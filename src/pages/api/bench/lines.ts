import { z } from 'zod';
import { WAITING_FOR } from '~/core/record/waiting';
import { parseInput } from '~/schema/values/faults';
import { oneOf, wholeNumber } from '~/schema/values/fields';
import { benchPage } from '~/server/boards/benchSheet';
import { endpoint } from '~/server/http/respond';

const asked = z.strictObject({ waits: oneOf(WAITING_FOR), from: wholeNumber(0, 1_000_000) });

/** The next boards that wait for one thing, after the first `from` of them. */
export const GET = endpoint(({ url, locals }) => {
  const { waits, from } = parseInput(asked, {
    waits: url.searchParams.get('waits') ?? undefined,
    from: Number(url.searchParams.get('from') ?? NaN),
  });
  return { boards: benchPage(locals.db, waits, from) };
});
