import { z } from 'zod';
import { CHECK_SUM_IDS } from '~/core/electrical/memory/checksums';
import { PROGRAMMER_FAULT_IDS } from '~/core/electrical/memory/standInPart';
import type { MemoryEntry, MemoryEntryBody } from '~/core/record/memoryEntries';
import { initials, oneOf, recordId, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

/** The largest contents that are kept of a site, bytes. */
export const LARGEST_DUMP_bytes = 2 ** 20;
const address = wholeNumber(0, LARGEST_DUMP_bytes);

/** Contents as they are known, without their bytes. */
export const dumpRecord = z.strictObject({
  id: recordId,
  siteId: recordId,
  name: text(1, 80),
  size_bytes: wholeNumber(1, LARGEST_DUMP_bytes),
  crc32: z.string().length(8),
  sum16: z.string().length(4),
  sha256: z.string().length(64),
  by: initials,
  at_ms: whenever_ms,
});
export type DumpRecord = z.infer<typeof dumpRecord>;

const ownBlock = z.strictObject({ name: text(1, 40), from: address, to: address });
const checkField = z.strictObject({
  of: z.strictObject({ from: address, to: address }),
  kind: oneOf(CHECK_SUM_IDS),
  at: address,
  order: oneOf(['low-first', 'high-first']),
});
const blocks = z
  .array(ownBlock)
  .min(1, { error: 'is empty; name at least one block of the board’s own' })
  .max(40);
const checks = z.array(checkField).max(20);
const programmer = { socket: text(1, 40), simulated: z.boolean() };

const memoryEntryBody: z.ZodType<MemoryEntryBody> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('told'), holds: z.boolean() }),
  z.strictObject({
    kind: z.literal('read'),
    dumpId: recordId,
    otherId: recordId.nullable(),
    verdict: oneOf(['alike', 'differ', 'nothing-there']),
    differing_bytes: address,
    says: text(0, 300),
    ...programmer,
  }),
  z.strictObject({ kind: z.literal('from-file'), dumpId: recordId }),
  z.strictObject({
    kind: z.literal('made'),
    dumpId: recordId,
    freshId: recordId,
    ownId: recordId,
    blocks,
    checks,
  }),
  z.strictObject({
    kind: z.literal('programmed'),
    dumpId: recordId,
    fault: oneOf(PROGRAMMER_FAULT_IDS).optional(),
    ...programmer,
  }),
  z.strictObject({
    kind: z.literal('verified'),
    dumpId: recordId,
    fitted: z.boolean(),
    differing_bytes: address,
    ...programmer,
  }),
]);

export const memoryEntryRow = z.strictObject({
  id: recordId,
  siteId: recordId,
  at_ms: whenever_ms,
  by: initials,
  body: memoryEntryBody,
});
export type MemoryEntryRow = z.infer<typeof memoryEntryRow>;
export const memoryEntryOf = ({ id, at_ms, by, body }: MemoryEntryRow): MemoryEntry => ({
  ...body,
  id,
  at_ms,
  by,
});

/** Somebody says whether a part holds contents. */
export const contentsTold = z.strictObject({ holds: z.boolean(), by: initials });

/** Contents that are sent as a file: what goes with them. */
export const dumpFromFile = z.strictObject({ name: text(1, 80), by: initials });

/** New contents out of fresh ones and the board's own. */
export const dumpMade = z.strictObject({
  name: text(1, 80),
  freshId: recordId,
  ownId: recordId,
  blocks,
  checks: checks.default([]),
  by: initials,
});
export type DumpMade = z.infer<typeof dumpMade>;
