import { isZip, unzipped, type Packed } from '~/formats/archive/unzip';
import { lineFault } from '~/formats/lineFault';
import { decoded } from '~/formats/text';
import type { ReadFile } from './collected';
import type { ImportFile } from './importFiles';

/** Files as they are read, and what archives they came in. */
export interface Opened {
  readonly files: readonly ImportFile[];
  readonly archives: readonly ReadFile[];
}

/** A board has some dozens of files; all of them unpacked are some tens of megabytes. */
const LIMITS = { most_files: 200, most_bytes: 150_000_000 } as const;

/** Dropped files as text, archives opened. A name that two of them share is told apart by its archive. */
export function opened(dropped: readonly Packed[]): Opened {
  const files: ImportFile[] = [];
  const archives: ReadFile[] = [];
  const names = new Set(dropped.map(({ name }) => name));
  for (const { name, bytes } of dropped) {
    if (!isZip(bytes)) {
      files.push({ name, ...decoded(bytes) });
      continue;
    }
    const archive = (count: number, faults: ReadFile['faults']): void =>
      void archives.push({
        name,
        kind: 'archive',
        count,
        faults,
        layer: null,
        table: null,
        spelt: null,
        otherwise: false,
      });
    try {
      const { files: inside, left } = unzipped(bytes, LIMITS);
      for (const one of inside) {
        const own = names.has(one.name) ? `${name}/${one.name}` : one.name;
        names.add(own);
        files.push({ name: own, ...decoded(one.bytes) });
      }
      archive(
        inside.length,
        left.map(({ name: which, why }) => lineFault(0, which, why)),
      );
    } catch (error) {
      archive(0, [lineFault(0, '', error instanceof Error ? error.message : String(error))]);
    }
  }
  return { files, archives };
}
