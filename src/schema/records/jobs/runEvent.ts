import { MOST_AGO_ms } from '~/schema/values/ago';
import { z } from 'zod';
import { AWAITS, MEASURED_BY, type RunEvent, type RunEventBody } from '~/core/record/runEvents';
import { OUTCOMES } from '~/core/record/outcomes';
import { ROOT_CAUSE_IDS } from '~/core/record/rootCauses';
import { initials, oneOf, quantity, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

const stepId = text(1, 60);
const pad = text(1, 8);
const elapsed_s = quantity('s', 0, 3600);

const passed = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('early'),
    left_s: quantity('s', 0, 1e6),
    reason: text(1, 200).optional(),
  }),
  z.strictObject({ kind: z.literal('moved-freely') }),
  z.strictObject({ kind: z.literal('override'), reason: text(1, 200), signedBy: initials.optional() }),
]);

const writable = [
  z.strictObject({
    kind: z.literal('step-done'),
    stepId,
    passed: passed.optional(),
    where: text(0, 80).optional(),
    shown_C: quantity('°C', 0, 600).optional(),
    left_V: quantity('V', -100_000, 100_000).optional(),
    again_V: quantity('V', -100_000, 100_000).optional(),
    supply: z
      .strictObject({
        asks_V: quantity('V', -1000, 1000),
        gives_V: quantity('V', -1000, 1000),
        limit_A: quantity('A', 0, 1000),
      })
      .optional(),
  }),
  z.strictObject({ kind: z.literal('step-back'), stepId }),
  z.strictObject({ kind: z.literal('heat-on'), stepId, pad }),
  z.strictObject({ kind: z.literal('melted'), stepId, pad, elapsed_s }),
  z.strictObject({ kind: z.literal('heat-off'), stepId, pad, elapsed_s }),
  z.strictObject({ kind: z.literal('note'), text: text(1, 600) }),
  z.strictObject({
    kind: z.literal('correction'),
    ofSeq: wholeNumber(1, 100_000),
    elapsed_s,
    reason: text(1, 200),
  }),
  z.strictObject({ kind: z.literal('taken-back'), ofSeq: wholeNumber(1, 100_000), reason: text(1, 200) }),
  z.strictObject({ kind: z.literal('resumed') }),
  z.strictObject({
    kind: z.literal('closed'),
    outcome: oneOf(OUTCOMES),
    cause: text(0, 600).default(''),
    rootCause: oneOf(ROOT_CAUSE_IDS).optional(),
    awaits: z.strictObject({ awaits: oneOf(AWAITS), what: text(1, 160) }).optional(),
    acceptedWithout: text(1, 200).optional(),
    restAtEnd: z.boolean().optional(),
  }),
] as const;

/** What a screen may write; `opened` and `exposure` are the server's own. */
export const writableEvent = z.discriminatedUnion('kind', writable, {
  error:
    'kind must be one of step-done, step-back, heat-on, melted, heat-off, note, correction, taken-back, resumed, closed',
});
export type WritableEvent = z.infer<typeof writableEvent>;

const exposure = z.strictObject({
  kind: z.literal('exposure'),
  ofSeq: wholeNumber(1, 100_000).optional(),
  pad,
  duration_s: quantity('s', 0, 7200),
  padDose: quantity('', 0, 1e9),
  laminateDose: quantity('', 0, 1e9),
  peak_C: quantity('°C', -50, 600),
  modelVersion: text(1, 40),
  measured: oneOf(MEASURED_BY).optional(),
  others: z
    .array(
      z.strictObject({
        padId: recordId,
        padDose: quantity('', 0, 1e9),
        peak_C: quantity('°C', -50, 600),
      }),
    )
    .max(1000)
    .optional(),
});

export const runEventBody: z.ZodType<RunEventBody> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('opened') }),
  exposure,
  ...writable,
]);

/** A screen's request to append: `afterSeq` is the last entry it knew, `clientId` makes a retry harmless. */
export const appendRequest = z.strictObject({
  clientId: recordId,
  afterSeq: wholeNumber(0, 100_000),
  by: initials,
  event: writableEvent,
  /** How long before it was sent it was pressed: a slow network or a stopped server must not shift its clock. */
  ago_ms: wholeNumber(0, MOST_AGO_ms).optional(),
});
export type AppendRequest = z.infer<typeof appendRequest>;

export const runEventRow = z.strictObject({
  jobId: recordId,
  seq: wholeNumber(1, 100_000),
  clientId: recordId,
  at_ms: whenever_ms,
  by: initials,
  body: runEventBody,
});
export type RunEventRow = z.infer<typeof runEventRow>;

export const runEventOf = (row: RunEventRow): RunEvent => ({
  ...row.body,
  seq: row.seq,
  at_ms: row.at_ms,
  by: row.by,
});
