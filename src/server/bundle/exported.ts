import { strToU8 } from 'fflate';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type BundleManifest } from '~/schema/values/bundle';
import { linesOf, packed, type BundleFile } from '~/formats/bundle/pack';
import { digestOf, readRows } from '~/server/store/bundle/readRows';
import type { Db } from '~/server/store/db';
import { newestApplied } from '~/server/store/fileCheck';
import { getBoard } from '~/server/store/repositories/boards';

export const MANIFEST = 'manifest.json';
export const pathOf = (table: string): string => `records/${table}.ndjson`;

/**
 * The whole record of one board, or with `null` of the shop, as a zip bundle (docs/bundle.md): read under one transaction, so
 * that it fits together. The same record always gives the same bytes.
 */
export function exported(db: Db, boardId: string | null): Uint8Array {
  return packed(
    db.transaction(
      () => {
        const scope: BundleManifest['scope'] =
          boardId === null
            ? { kind: 'shop' }
            : { kind: 'board', id: boardId, name: getBoard(db, boardId).name };
        const files: BundleFile[] = [];
        const rows: Record<string, number> = {};
        for (const table of readRows(db, boardId)) {
          if (table.rows.length === 0) continue;
          rows[table.name] = table.rows.length;
          files.push({ path: pathOf(table.name), bytes: linesOf(table.rows) });
          for (const file of table.files) files.push(file);
        }
        const manifest: BundleManifest = {
          format: BUNDLE_FORMAT,
          version: BUNDLE_VERSION,
          tables: newestApplied(db.$client),
          scope,
          rows,
          files: files.map(({ path, bytes }) => ({ path, bytes: bytes.length, sha256: digestOf(bytes) })),
        };
        return [{ path: MANIFEST, bytes: strToU8(`${JSON.stringify(manifest, null, 2)}\n`) }, ...files];
      },
      { behavior: 'deferred' },
    ),
  );
}
