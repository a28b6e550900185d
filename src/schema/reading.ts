import { index, integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { VERDICTS, type Verdict } from '~/core/electrical/judgement';
import { boards } from './board';
import { initials, oneOf, quantity, recordId, text, whenever_ms } from './fields';
import { pads } from './pad';
import { sites } from './site';

export const READING_KINDS = ['continuity', 'short'] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

/** What a meter showed between two pads of a checklist, as a person enters it; null is an open display. */
export const newReading = z.strictObject({
  kind: oneOf(READING_KINDS),
  padId: recordId,
  otherPadId: recordId,
  value_Ohm: quantity('Ω', 0, 1e12).nullable(),
  note: text(0, 200).default(''),
  by: initials,
});
export type NewReading = z.infer<typeof newReading>;

/** A reading in the record, judged by the server; the next one between the same pads follows it. */
export const readingRecord = newReading.extend({
  id: recordId,
  boardId: recordId,
  siteId: recordId,
  limit_Ohm: quantity('Ω', 0, 1e12),
  verdict: oneOf(VERDICTS),
  at_ms: whenever_ms,
});
export type ReadingRecord = z.infer<typeof readingRecord>;

export const readings = sqliteTable(
  'readings',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    kind: textColumn('kind').$type<ReadingKind>().notNull(),
    padId: textColumn('pad_id')
      .notNull()
      .references(() => pads.id),
    otherPadId: textColumn('other_pad_id')
      .notNull()
      .references(() => pads.id),
    value_Ohm: real('value_ohm'),
    limit_Ohm: real('limit_ohm').notNull(),
    verdict: textColumn('verdict').$type<Verdict>().notNull(),
    note: textColumn('note').notNull().default(''),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
  },
  (table) => [
    index('readings_site').on(table.siteId, table.at_ms),
    index('readings_board').on(table.boardId),
  ],
);
