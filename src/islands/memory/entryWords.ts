import type { Contents, MemoryEntry } from '~/core/record/memoryEntries';
import type { DumpRecord } from '~/schema/records/site/memory';

export const CONTENTS_WORDS: Readonly<Record<Contents, string>> = {
  none: 'Nobody said that this part holds contents of its own.',
  'only-copy': 'It holds the only copy of its contents: read it twice before it is given up.',
  kept: 'Its contents were read twice alike and are kept here.',
};

/** What was done about a site's contents, in words. */
export function entryInWords(entry: MemoryEntry, nameOf: (dumpId: string) => string): string {
  switch (entry.kind) {
    case 'told':
      return entry.holds ? 'said to hold contents of its own' : 'said to hold nothing that is missed';
    case 'read':
      return `read twice${by(entry)}: ${entry.says}. Kept as “${nameOf(entry.dumpId)}”`;
    case 'from-file':
      return `“${nameOf(entry.dumpId)}” came as a file`;
    case 'made':
      return `“${nameOf(entry.dumpId)}” made of “${nameOf(entry.freshId)}” with ${entry.blocks
        .map((b) => b.name)
        .join(
          ', ',
        )} of “${nameOf(entry.ownId)}”${entry.checks.length > 0 ? ', check sum computed anew' : ''}`;
    case 'programmed':
      return `“${nameOf(entry.dumpId)}” written into the new part${by(entry)}`;
    case 'verified':
      return entry.differing_bytes === 0
        ? `verified ${entry.fitted ? 'on the board' : 'before fitting'} against “${nameOf(entry.dumpId)}”${by(entry)}: alike`
        : `verified ${entry.fitted ? 'on the board' : 'before fitting'} against “${nameOf(entry.dumpId)}”${by(entry)}: ${entry.differing_bytes} bytes differ`;
  }
}

const by = ({ simulated }: { readonly simulated: boolean }): string =>
  simulated ? ', by a simulated programmer' : '';

/** Whether an entry is something that went wrong. */
export const isBad = (entry: MemoryEntry): boolean =>
  (entry.kind === 'read' && entry.verdict !== 'alike') ||
  (entry.kind === 'verified' && entry.differing_bytes > 0);

export const dumpName =
  (dumps: readonly DumpRecord[]) =>
  (id: string): string =>
    dumps.find((dump) => dump.id === id)?.name ?? 'contents that are gone';
