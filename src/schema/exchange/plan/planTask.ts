import { z } from 'zod';
import { text } from '~/schema/values/fields';
import { choiceInput, planInput } from './planRequest';

/** What a screen may ask of the planner: a plan, what follows from settings, or a whole board's order. */
export const planTask = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('plan'), input: planInput }),
    z.strictObject({
      kind: z.literal('explore'),
      input: planInput,
      choices: z.array(choiceInput).min(1).max(2),
    }),
    z.strictObject({
      kind: z.literal('recap'),
      asks: z
        .array(z.strictObject({ value: text(1, 64), input: planInput }))
        .min(1)
        .max(200),
    }),
  ],
  { error: 'kind must be one of plan, explore, recap' },
);
export type PlanTask = z.infer<typeof planTask>;
