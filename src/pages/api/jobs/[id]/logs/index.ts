import { newThermalLog } from '~/schema/records/jobs/thermalLog';
import { parseInput } from '~/schema/values/faults';
import { takeLog } from '~/server/jobs/thermalLogs';
import { endpoint, readText } from '~/server/http/respond';
import { newId } from '~/server/store/ids';
import { getJob } from '~/server/store/repositories/jobs';

/** Ten channels at ten a second for two hours. */
const LARGEST_bytes = 16 * 1024 * 1024;

/** The file is the body; what goes with it stands in the address. */
export const POST = endpoint(async (context) => {
  const { db, person } = context.locals;
  const told = Object.fromEntries(context.url.searchParams);
  const given = parseInput(newThermalLog, person ? { ...told, by: person.initials } : told);
  const { job } = getJob(db, context.params['id']!);
  const text = await readText(context, LARGEST_bytes);
  const { profile: _, ...log } = takeLog(db, job, { ...given, text }, newId('log'), Date.now());
  return log;
}, 201);
