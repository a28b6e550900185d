import { z } from 'zod';
import { parseInput } from '~/schema/values/faults';
import { oneOf } from '~/schema/values/fields';
import { bundleAnswer } from '~/server/bundle/answer';
import { imported } from '~/server/bundle/imported';
import { countUncounted } from '~/server/outcomes/keep';
import { endpoint, readArchive } from '~/server/http/respond';

/** A larger record is moved by the command line, which holds nobody up. */
const LARGEST_BUNDLE_bytes = 300_000_000;
/** It is held in memory while it is looked at. */
const MOST_UNPACKED_bytes = 600_000_000;

const asked = z.strictObject({
  keep: oneOf(['mine', 'theirs']).optional(),
  look: oneOf(['yes']).optional(),
});

/** The whole shop as a bundle. */
export const GET = bundleAnswer(() => null);

/** Brings a bundle in; the archive is the body, what goes with it stands in the address. */
export const POST = endpoint(async (context) => {
  const { keep = null, look } = parseInput(asked, Object.fromEntries(context.url.searchParams));
  const archive = await readArchive(context, LARGEST_BUNDLE_bytes);
  const { db } = context.locals;
  const made = imported(db, archive, {
    keep,
    dryRun: look !== undefined,
    most_bytes: MOST_UNPACKED_bytes,
  });
  if (made.outcome === 'written') void countUncounted(db);
  return made;
});
