import { z } from 'zod';
import { thermalProfile } from '~/schema/values/thermalProfile';
import { initials, oneOf, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

/** Where a log came from: read by instruments while a heat ran, or a file that was given. */
const LOG_ORIGINS = ['instruments', 'file'] as const;

/** A thermal log of a job, with the heat it is of. */
export const thermalLogRow = z.strictObject({
  id: recordId,
  jobId: recordId,
  /** The heating it is of, by the entry that began it; null: of the job as a whole. */
  ofSeq: wholeNumber(1, 1e9).nullable(),
  origin: oneOf(LOG_ORIGINS),
  /** Whether simulated instruments read it. */
  simulated: z.boolean(),
  /** The channel of it that sat on the heated land; null: none was said to. */
  landChannel: z.string().max(32).nullable(),
  by: initials,
  at_ms: whenever_ms,
  profile: thermalProfile,
});
export type ThermalLogRow = z.infer<typeof thermalLogRow>;

/** A log as a file: what is sent with it. */
export const newThermalLog = z.strictObject({
  by: initials,
  name: text(0, 120).default(''),
});
