import { parseInput } from '~/schema/values/faults';
import { newFinding, newFindings } from '~/schema/records/site/finding';
import { recordFindings } from '~/server/boards/findings';
import { endpoint, readJson } from '~/server/http/respond';

/** A thousand pads with a note each. */
const LARGEST_LOOK_bytes = 1024 * 1024;

/** One finding, or a list of one look. */
export const POST = endpoint(async (context) => {
  const body = await readJson(context, LARGEST_LOOK_bytes);
  const { db } = context.locals;
  return Array.isArray(body)
    ? recordFindings(db, parseInput(newFindings, body), Date.now())
    : recordFindings(db, [parseInput(newFinding, body)], Date.now())[0];
}, 201);
