import { createHash } from 'node:crypto';
import { asWritten } from '../order';
import type { Db } from '../db';
import { BUNDLED, rowsOf, type BundledTable } from './bundledTables';

/** A row as a bundle has it: its bytes lie in a file of their own. */
type BundleRow = Readonly<Record<string, unknown>>;

/** Bytes of a row, by the path that its bundle gives them. */
interface RowBytes {
  readonly path: string;
  readonly bytes: Uint8Array;
}

/** The rows of one table in the order in which they were written, and the bytes that belong to them. */
export interface TableRows {
  readonly name: string;
  readonly rows: readonly BundleRow[];
  readonly files: readonly RowBytes[];
}

/** All that a bundle of a board, or of the whole shop, holds, table by table. Called within one transaction. */
export function* readRows(db: Db, boardId: string | null): Generator<TableRows> {
  for (const one of BUNDLED) {
    const where = rowsOf(db, one, boardId);
    if (where === null) continue;
    const found = db.select().from(one.table).where(where).orderBy(asWritten(one.table)).all() as Record<
      string,
      unknown
    >[];
    yield split(one, found);
  }
}

function split({ name, bytes }: BundledTable, rows: readonly Record<string, unknown>[]): TableRows {
  if (!bytes) return { name, rows, files: [] };
  const { column, folder, end } = bytes;
  const files: RowBytes[] = [];
  return {
    name,
    files,
    rows: rows.map((row) => {
      const content = row[column] as Buffer;
      const path = `${folder}/${String(row['id'])}.${end}`;
      files.push({ path, bytes: content });
      return { ...row, [column]: { file: path, bytes: content.length, sha256: digestOf(content) } };
    }),
  };
}

export const digestOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
