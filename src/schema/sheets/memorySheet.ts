import type { ByteRange, MapCell } from '~/core/electrical/memory/compare';
import type { ProgrammerSocketId } from '~/core/electrical/memory/sockets';
import type { Contents, MemoryEntry } from '~/core/record/memoryEntries';
import type { BoardRecord } from '~/schema/records/board/board';
import type { DumpRecord } from '~/schema/records/site/memory';

/** What a site's contents are shown from. */
export interface MemorySheet {
  readonly board: BoardRecord;
  readonly site: { readonly id: string; readonly ref: string; readonly value: string };
  readonly contents: Contents;
  readonly dumps: readonly DumpRecord[];
  readonly entries: readonly MemoryEntry[];
  /** Sockets of the programmer that take the part. */
  readonly sockets: readonly ProgrammerSocketId[];
}

/** Where two contents differ. */
export interface ComparedDumps {
  readonly cell_bytes: number;
  readonly cells: readonly MapCell[];
  readonly ranges: readonly ByteRange[];
  /** Ranges that are not listed. */
  readonly more: number;
}
