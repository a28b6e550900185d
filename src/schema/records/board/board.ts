import { z } from 'zod';
import { HAZARDS } from '~/core/method/request';
import { FINISHES, type Finish } from '~/core/materials/finishes';
import { construction } from '~/schema/values/construction';
import { initials, oneOf, quantity, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';
import { OUTCOMES } from '~/core/record/outcomes';
import { WAITING_FOR } from '~/core/record/waiting';

const FINISH_IDS = Object.keys(FINISHES) as [Finish, ...Finish[]];

/** What a person tells of a board when it comes in. */
export const newBoard = z.strictObject({
  name: text(1, 80),
  owner: initials,
  fault: text(1, 600),
  triedBefore: text(0, 1000).default(''),
  hazards: z.array(oneOf(HAZARDS)).max(HAZARDS.length).default([]),
  construction,
  finish: oneOf(FINISH_IDS).default('unknown'),
  /** Year it was made; null where nobody knows. */
  madeIn: wholeNumber(1950, 2100).nullable().default(null),
  /** What its label asks of a supply, V, below nought where its plus is on ground; null where nobody told. */
  asks_V: quantity('V', -1000, 1000).nullable().default(null),
  /** Screws, links, cables and whatever must go back where it was. */
  fixtures: text(0, 1000).default(''),
});
export type NewBoard = z.infer<typeof newBoard>;

export const boardRecord = newBoard.extend({
  id: recordId,
  waitingFor: oneOf(WAITING_FOR),
  nextAction: text(0, 200),
  outcome: oneOf(OUTCOMES).nullable(),
  createdAt_ms: whenever_ms,
  revision: z.int().min(1),
});
export type BoardRecord = z.infer<typeof boardRecord>;

/** A change of what is told of a board, against the revision it was read at. */
export const boardChange = newBoard.extend({ revision: z.int().min(1) });
export type BoardChange = z.infer<typeof boardChange>;
