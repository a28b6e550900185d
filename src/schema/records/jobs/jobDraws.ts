import { z } from 'zod';
import { UNSURE } from '~/core/thermal/joint/draws';
import type { PhaseDraws } from '~/core/learning/worlds';
import { oneOf, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

/** Null where it never came: JSON knows no infinity. */
const times_s = z.array(z.number().nullable());

const known = z.strictObject({ shift: z.number(), scale: z.number().positive() });

/** The draws behind a phase's bands as the record keeps them, to the hundredth of a second. */
const keptDraws = z.strictObject({
  seed: z.int(),
  draws: wholeNumber(1, 10_000),
  touches: z.array(
    z.strictObject({
      touches: z.array(text(1, 16)).min(1),
      melts_s: times_s,
      limits_s: times_s,
      longest_s: z.number(),
    }),
  ),
  /** What was known of the bench as they were drawn, by what is uncertain. */
  known: z.partialRecord(oneOf(UNSURE), known).optional(),
});
export type KeptDraws = z.infer<typeof keptDraws>;

export const jobDrawsRow = z.strictObject({
  jobId: recordId,
  phase: oneOf(['remove', 'reflow', 'fit']),
  modelVersion: text(1, 40),
  body: keptDraws,
  at_ms: whenever_ms,
});
export type JobDrawsRow = z.infer<typeof jobDrawsRow>;

export const keptOf = ({ seed, draws, touches, known }: PhaseDraws): KeptDraws => ({
  seed,
  draws,
  ...(known ? { known } : {}),
  touches: touches.map(({ melts_s, limits_s, ...touch }) => ({
    touches: [...touch.touches],
    longest_s: touch.longest_s,
    melts_s: melts_s.map(hundredths),
    limits_s: limits_s.map(hundredths),
  })),
});

const hundredths = (time_s: number): number | null =>
  Number.isFinite(time_s) ? Math.round(time_s * 100) / 100 : null;
