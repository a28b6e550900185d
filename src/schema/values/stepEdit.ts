import { z } from 'zod';
import type { StepEdit } from '~/core/method/steps/edits';
import { oneOf, quantity, text } from './fields';

const stepId = text(1, 60);

/** A change to a list of steps. */
const stepEdit = z.discriminatedUnion('op', [
  z.strictObject({ op: z.literal('hide'), id: stepId }),
  z.strictObject({ op: z.literal('reword'), id: stepId, title: text(1, 80), detail: text(0, 400) }),
  z.strictObject({
    op: z.literal('add'),
    id: stepId,
    after: text(0, 60),
    kind: oneOf(['gate', 'do', 'wait', 'inspect']),
    title: text(1, 80),
    detail: text(0, 400),
    why: text(0, 400),
    wait_s: quantity('s', 1, 86_400).nullable(),
  }),
  z.strictObject({ op: z.literal('move'), id: stepId, after: text(0, 60) }),
]) satisfies z.ZodType<StepEdit>;

export const stepEdits = z.array(stepEdit).max(60, { error: 'has more than 60 changes; take some back' });
