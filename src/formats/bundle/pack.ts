import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { InputError } from '~/schema/values/faults';

/** A file of a bundle. */
export interface BundleFile {
  readonly path: string;
  readonly bytes: Uint8Array;
}

/** The same content packs to the same bytes: entries carry no time but the earliest that a zip archive can say. */
const NO_TIME = new Date(1980, 0, 1, 0, 0, 0);
/** Pictures are packed already. */
const PACKED = /\.(jpg|png|webp)$/;

/** A shop of years with its photos; a larger one is moved as a database (backup). */
const MOST_bytes = 2_000_000_000;
const MOST_FILES = 500_000;

/** Files as one zip archive, in the order given. */
export function packed(files: readonly BundleFile[]): Uint8Array {
  const entries: Zippable = {};
  for (const { path, bytes } of files)
    entries[path] = [bytes, { level: PACKED.test(path) ? 0 : 6, mtime: NO_TIME }];
  return zipSync(entries);
}

/** What an archive holds, by path. Throws `InputError` in words where it is none, or more than is ever written. */
export function unpacked(archive: Uint8Array, most_bytes = MOST_bytes): ReadonlyMap<string, Uint8Array> {
  let [count, size] = [0, 0];
  try {
    const found = unzipSync(archive, {
      filter: ({ originalSize }) => {
        count += 1;
        size += originalSize;
        if (count > MOST_FILES || size > most_bytes) throw new TooLarge();
        return true;
      },
    });
    return new Map(Object.entries(found));
  } catch (error) {
    throw new InputError([
      {
        path: '$.bundle',
        message:
          error instanceof TooLarge
            ? `unpacks to more than ${most_bytes / 1e6} MB; bring it in by ./ithermon import, or move the database by ./ithermon backup instead`
            : 'is no zip archive, or is damaged; export it again',
      },
    ]);
  }
}

class TooLarge extends Error {}

/** Rows as lines of JSON, and back. */
export const linesOf = (rows: readonly unknown[]): Uint8Array =>
  strToU8(rows.map((row) => `${JSON.stringify(row)}\n`).join(''));

export function rowsIn(path: string, bytes: Uint8Array): unknown[] {
  return strFromU8(bytes)
    .split('\n')
    .flatMap((line, i) => {
      if (line === '') return [];
      try {
        return [JSON.parse(line) as unknown];
      } catch {
        throw new InputError([
          { path: `$.${path}`, message: `has no JSON in line ${i + 1}; export the bundle again` },
        ]);
      }
    });
}
