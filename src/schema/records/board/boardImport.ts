import { z } from 'zod';
import { initials, oneOf, quantity, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';
import { newSite } from '../site/site';
import { copperMap } from '~/schema/values/copperMap';
import { boardProfile } from '~/schema/values/boardProfile';

/** A file that an import came from, by name and kind; the file itself is not kept. */
const importedFile = z.strictObject({
  name: text(1, 200),
  kind: oneOf(['netlist', 'artwork', 'drill', 'table', 'exchange', 'archive', 'unknown']),
  count: wholeNumber(0, 10_000_000),
});

/** So many at a time. */
export const MOST_SITES = 12_000;

/** What an accepted import writes: all of it or nothing. */
export const newImport = z.strictObject({
  by: initials,
  files: z.array(importedFile).min(1, { error: 'is empty; name the files it comes from' }).max(40),
  sites: z
    .array(newSite)
    .max(MOST_SITES, { error: `has more than ${MOST_SITES} sites; import the board in parts` }),
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
