import { z } from 'zod';
import { hollow, tip } from '~/schema/values/toolSpec';
import { recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

/** In standard deviations of what lasts: 0 and 1 is as published. */
const normal = z.strictObject({ mean: z.number(), spread: z.number().min(0).max(1) });

const lessonBody = z.discriminatedUnion('of', [
  z.strictObject({
    of: z.literal('tip'),
    toolId: recordId,
    tip: z.union([tip, hollow]),
    contact: normal,
    tipOffset: normal,
    drift: z.strictObject({ since_ms: whenever_ms, slope: z.number(), times: z.number() }).nullable(),
    jobs: wholeNumber(1, 1e6),
    heats: wholeNumber(1, 1e6),
  }),
  z.strictObject({
    of: z.literal('board'),
    boardId: recordId,
    copper: normal,
    jobs: wholeNumber(1, 1e6),
    heats: wholeNumber(1, 1e6),
  }),
]);
export type LessonBody = z.infer<typeof lessonBody>;
export type TipLessonBody = Extract<LessonBody, { of: 'tip' }>;

/**
 * What the heatings of closed jobs have taught of a tip or of a board. It follows from them and is written anew after each;
 * forgotten, only jobs from then on count.
 */
export const benchLessonRow = z.strictObject({
  about: text(1, 200),
  body: lessonBody.nullable(),
  since_ms: whenever_ms,
  at_ms: whenever_ms,
});
export type BenchLessonRow = z.infer<typeof benchLessonRow>;

export const aboutTip = (tipName: string): string => `tip ${tipName}`;
export const aboutBoard = (boardId: string): string => `board ${boardId}`;

/** Which tip is to be forgotten. */
export const forgetLesson = z.strictObject({ tip: z.union([tip, hollow]) });
