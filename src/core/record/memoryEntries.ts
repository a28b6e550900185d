import type { CheckField, OwnBlock } from '~/core/electrical/memory/transfer';
import type { ProgrammerFault } from '~/core/electrical/memory/standInPart';
import type { ReadTwice } from '~/core/electrical/memory/compare';

/** What reads and writes memories: a programmer, or a stand-in for one. */
interface ByProgrammer {
  readonly socket: string;
  readonly simulated: boolean;
}

/** What was done about the contents of a site's part, one entry after another. Entries are never changed. */
export type MemoryEntryBody =
  /** Somebody said whether the part holds contents of its own. */
  | { readonly kind: 'told'; readonly holds: boolean }
  | ({
      readonly kind: 'read';
      readonly dumpId: string;
      /** The second read, where it was another than the first. */
      readonly otherId: string | null;
    } & ReadTwice &
      ByProgrammer)
  | { readonly kind: 'from-file'; readonly dumpId: string }
  | {
      readonly kind: 'made';
      readonly dumpId: string;
      readonly freshId: string;
      readonly ownId: string;
      readonly blocks: readonly OwnBlock[];
      readonly checks: readonly CheckField[];
    }
  | ({
      readonly kind: 'programmed';
      readonly dumpId: string;
      /** What was wrong as a simulated part was written: the part is so from then on. */
      readonly fault?: ProgrammerFault | undefined;
    } & ByProgrammer)
  | ({
      readonly kind: 'verified';
      readonly dumpId: string;
      readonly fitted: boolean;
      readonly differing_bytes: number;
    } & ByProgrammer);

export type MemoryEntry = MemoryEntryBody & {
  readonly id: string;
  readonly at_ms: number;
  readonly by: string;
};

/** Whether a part's contents are there only once in the world. */
export const CONTENTS = ['none', 'only-copy', 'kept'] as const;
export type Contents = (typeof CONTENTS)[number];

/** How a site's contents stand by what was done about them; what was told last holds. */
export function contentsOf(entries: readonly MemoryEntryBody[]): Contents {
  const told = entries.findLast((e) => e.kind === 'told');
  const kept = entries.some((e) => e.kind === 'read' && e.verdict === 'alike');
  const holds = told?.kind === 'told' ? told.holds : entries.some((e) => e.kind === 'read');
  return !holds ? 'none' : kept ? 'kept' : 'only-copy';
}
