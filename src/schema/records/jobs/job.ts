import { z } from 'zod';
import { GOALS } from '~/core/method/goals';
import { OUTCOMES } from '~/core/record/outcomes';
import { moistureInput } from '~/schema/values/moisture';
import { initials, oneOf, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';
import { WORTHS } from '~/core/method/request';
import { choiceInput } from '~/schema/exchange/plan/planRequest';
import { stepEdits } from '~/schema/values/stepEdit';
import { jobPlan } from './jobPlan';
import { jobPlanOf } from './jobPlanVersions';

/** Accepting a plan: the setting chosen, and the state of the record it was chosen on. The server solves it again itself. */
export const acceptPlan = z.strictObject({
  siteId: recordId,
  by: initials,
  goal: oneOf(GOALS),
  /** Fingerprint of the inputs the screen planned with; refused when the record has moved on. */
  inputsKey: text(1, 80),
  worth: oneOf(WORTHS).default('ordinary'),
  /** Sites that come off in the same heat. */
  mates: z.array(text(1, 16)).max(20).default([]),
  /** What is known of the water in its body; null: its level is not known. */
  moisture: moistureInput.nullable().default(null),
  /** A method and a setting for each phase of the goal. */
  choices: z.array(choiceInput).min(1).max(2),
  edits: stepEdits.default([]),
});
export type AcceptPlan = z.infer<typeof acceptPlan>;

/**
 * One visit to one site: the accepted plan, and what it was planned from. That is kept as it was written: it is evidence,
 * and read in today's shape only where a heat's cost is computed (jobRequest).
 */
const jobRecord = z.strictObject({
  id: recordId,
  boardId: recordId,
  siteId: recordId,
  /** The whole board's job it is part of; null where it stands alone. */
  recapId: recordId.nullable(),
  goal: oneOf(GOALS),
  by: initials,
  status: oneOf(['running', 'closed']),
  request: z.object({ input: z.unknown(), setting: z.unknown(), choices: z.unknown() }),
  plan: jobPlan,
  modelVersion: text(1, 40),
  outcome: oneOf(OUTCOMES).nullable(),
  cause: text(0, 600),
  acceptedAt_ms: whenever_ms,
  closedAt_ms: whenever_ms.nullable(),
  lastSeq: wholeNumber(0, 100_000),
});
export type JobRecord = z.infer<typeof jobRecord>;

/** A job from its row, whatever version wrote it. */
export const jobOfRow = ({
  input,
  setting,
  choices,
  plan,
  // Columns that only count what the plan tells.
  family: _family,
  method: _method,
  ...row
}: Readonly<Record<string, unknown>>): JobRecord =>
  jobRecord.parse({ ...row, request: { input, setting, choices }, plan: jobPlanOf(plan, input) });
