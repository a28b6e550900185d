import { z } from 'zod';
import { GOALS } from '~/core/method/goals';
import { WORTHS } from '~/core/method/request';
import { initials, oneOf, recordId, text } from '~/schema/values/fields';
import { moistureInput } from '~/schema/values/moisture';
import { choiceInput } from './planRequest';

/** What a screen wants of a site: ids and wishes. Board, bench, stock and history the server knows better. */
const wanted = {
  siteId: recordId,
  /** Fingerprint of the record that the screen was drawn from; refused when it has moved on. */
  inputsKey: text(1, 80),
  /** Whose record with methods counts; null where nobody said who they are. */
  by: initials.nullable(),
  goal: oneOf(GOALS),
  worth: oneOf(WORTHS).default('ordinary'),
  /** References of sites that come off in the same heat. */
  mates: z.array(text(1, 16)).max(20).default([]),
  moisture: moistureInput.nullable().default(null),
};

/** What a screen may ask of the planner. */
export const planAsk = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('plan'), ...wanted }),
    z.strictObject({ kind: z.literal('explore'), ...wanted, choices: z.array(choiceInput).min(1).max(2) }),
    z.strictObject({
      kind: z.literal('recap'),
      boardId: recordId,
      siteIds: z
        .array(recordId)
        .min(1, { error: 'is empty; choose at least one site' })
        .max(200, { error: 'has more than 200 sites; take the board in parts' }),
    }),
    z.strictObject({ kind: z.literal('gentler'), jobId: recordId }),
  ],
  { error: 'kind must be one of plan, explore, recap, gentler' },
);
export type PlanAsk = z.infer<typeof planAsk>;
