import { z } from 'zod';
import { initials, oneOf, quantity, recordId, text, whenever_ms, wholeNumber } from './fields';
import { newSite } from './site';

/** A file that an import came from, by name and kind; the file itself is not kept. */
const importedFile = z.strictObject({
  name: text(1, 200),
  kind: oneOf(['netlist', 'artwork', 'drill', 'table', 'unknown']),
  count: wholeNumber(0, 10_000_000),
});

const BASE64 = /^[A-Za-z0-9+/]*={0,2}$/;

/** Copper of one layer on a grid over the board, row by row from y = 0; each cell 0 to 255, base64. */
export const copperMap = z
  .strictObject({
    layer: wholeNumber(1, 16),
    nx: wholeNumber(2, 2000),
    ny: wholeNumber(2, 2000),
    cells: z
      .string({ error: 'is missing; give the cells as base64' })
      .max(6_000_000)
      .regex(BASE64, { error: 'is not base64' }),
  })
  .refine(({ nx, ny, cells }) => bytesIn(cells) === nx * ny, {
    error: 'does not hold one byte for each of its nx · ny cells',
    path: ['cells'],
  });
export type CopperMap = z.infer<typeof copperMap>;

const bytesIn = (base64: string): number =>
  Math.floor((base64.length * 3) / 4) - (base64.endsWith('==') ? 2 : base64.endsWith('=') ? 1 : 0);

const place_mm = quantity('mm', -50, 1050);

/** Edge of a board and what is drilled through it, seen from the top, on the board's own origin. */
export const boardProfile = z.strictObject({
  /** The edge as one closed line; null where no file draws it. */
  edge: z
    .array(z.tuple([place_mm, place_mm]))
    .min(3)
    .max(2000, { error: 'has more than 2000 points; draw the edge with fewer' })
    .nullable(),
  /** x, y and diameter of each hole, mm. */
  holes: z
    .array(z.tuple([place_mm, place_mm, quantity('mm', 0.05, 20)]))
    .max(20_000, { error: 'has more than 20,000 holes' }),
});
export type BoardProfile = z.infer<typeof boardProfile>;

/** What an accepted import writes: all of it or nothing. */
export const newImport = z.strictObject({
  by: initials,
  files: z.array(importedFile).min(1, { error: 'is empty; name the files it comes from' }).max(40),
  sites: z.array(newSite).max(5000, { error: 'has more than 5000 sites; import the board in parts' }),
  copper: z
    .array(z.strictObject({ file: text(1, 200), coverage: quantity('', 0, 1), map: copperMap }))
    .max(16),
  profile: boardProfile.nullable().default(null),
});
export type NewImport = z.infer<typeof newImport>;

/** An import in the record. Undoing it is noted, not erased. */
export const importRecord = z.strictObject({
  id: recordId,
  boardId: recordId,
  by: initials,
  at_ms: whenever_ms,
  files: z.array(importedFile),
  siteIds: z.array(recordId),
  profile: boardProfile.nullable(),
  undoneAt_ms: whenever_ms.nullable(),
});
export type ImportRecord = z.infer<typeof importRecord>;

/** One copper layer's picture, as the board's sheet names it; its cells are asked for apart. */
export interface ArtworkLine {
  readonly id: string;
  readonly layer: number;
  readonly nx: number;
  readonly ny: number;
  readonly coverage: number;
}
