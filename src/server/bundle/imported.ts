import { InputError, parseInput, type Fault } from '~/schema/values/faults';
import { bundleBytes, bundleManifest, type BundleManifest } from '~/schema/values/bundle';
import { rowsIn as jsonLines, unpacked } from '~/formats/bundle/pack';
import { BUNDLED, type BundledTable } from '~/server/store/bundle/bundledTables';
import { digestOf } from '~/server/store/bundle/readRows';
import { filledUp, rowShape } from '~/server/store/bundle/rowShape';
import type { BundleOutcome, RowConflict } from '~/schema/exchange/bundleOutcome';
import { countStock, followEntries, raiseSites, referLater } from '~/server/store/bundle/settle';
import { RowRefused, writeRows, type Keep } from '~/server/store/bundle/writeRows';
import { boardSheet } from '~/server/boards/boardSheet';
import { restate } from '~/server/boards/restate';
import { clocksOf } from '~/core/record/boardEntries';
import { keepClock } from '~/server/store/repositories/boardClocks';
import { boardEntriesOf } from '~/server/store/repositories/boardEntries';
import type { Db } from '~/server/store/db';
import { codeOf, newestApplied } from '~/server/store/fileCheck';
import { MANIFEST, pathOf } from './exported';

export interface ImportAsked {
  /** What holds where both say something else; null: write nothing then, and ask. */
  readonly keep: Keep | null;
  /** Only look. */
  readonly dryRun: boolean;
  /** What the archive may unpack to; left out, as much as is ever written. */
  readonly most_bytes?: number;
}

const SHOWN_CONFLICTS = 50;
const MOST_FAULTS = 20;

/**
 * Reads a bundle into the record, all of it or nothing: every file is held to its digest and every row to its shape first, rows that
 * are here already are recognised by their numbers, and every board that it touches has to read afterwards. Throws `InputError`.
 */
export function imported(db: Db, archive: Uint8Array, asked: ImportAsked): BundleOutcome {
  const files = unpacked(archive, asked.most_bytes);
  const manifest = manifestIn(files);
  if (manifest.tables > newestApplied(db.$client))
    throw new InputError([
      {
        path: '$.manifest.tables',
        message: 'is of a newer version of Ithermon; bring this one up to date first',
      },
    ]);
  checkDigests(manifest, files);
  const tables = BUNDLED.map((one) => ({ one, rows: rowsOf(one, files) }));
  const unknown = Object.keys(manifest.rows).filter((name) => !BUNDLED.some((one) => one.name === name));
  if (unknown.length > 0)
    throw new InputError([
      {
        path: '$.manifest.rows',
        message: `names ${unknown.join(', ')}, which no bundle has; it may have been changed by hand`,
      },
    ]);
  let made!: BundleOutcome;
  try {
    db.transaction((tx) => {
      referLater(tx);
      made = written(db, tables, manifest, asked);
      if (made.outcome !== 'written') throw new NothingWritten();
    });
  } catch (error) {
    if (error instanceof NothingWritten) return made;
    if (error instanceof RowRefused) throw new InputError([{ path: '$.bundle', message: error.message }]);
    if (
      codeOf(error instanceof Error && error.cause ? error.cause : error) === 'SQLITE_CONSTRAINT_FOREIGNKEY'
    )
      throw new InputError([
        {
          path: '$.bundle',
          message: 'refers to rows that neither it nor this record has; export the whole shop instead',
        },
      ]);
    throw error;
  }
  return made;
}

class NothingWritten extends Error {}

function written(
  db: Db,
  tables: readonly { readonly one: BundledTable; readonly rows: Record<string, unknown>[] }[],
  { scope }: BundleManifest,
  { keep, dryRun }: ImportAsked,
): BundleOutcome {
  const fresh: Record<string, number> = {};
  const conflicts: RowConflict[] = [];
  const replaced = new Map<string, readonly Record<string, unknown>[]>();
  let same = 0;
  for (const { one, rows } of tables) {
    const made = writeRows(db, one, rows, keep);
    if (made.fresh > 0) fresh[one.name] = made.fresh;
    same += made.same;
    replaced.set(one.name, made.replaced);
    for (const conflict of made.conflicts) conflicts.push(conflict);
  }
  const rowsIn = (table: string) => tables.find(({ one }) => one.name === table)!.rows;
  const boardIds = rowsIn('boards').map((row) => String(row['id']));
  const changed = Object.keys(fresh).length > 0 || (keep === 'theirs' && conflicts.length > 0);
  // Into an empty record all is as it was; beside what is here, what follows from rows follows from more of them now.
  if (changed && same + conflicts.length > 0) {
    followEntries(db, rowsIn('jobs'));
    countStock(
      db,
      rowsIn('stock_parts').map((row) => String(row['id'])),
    );
    raiseSites(db, [...new Set(replaced.get('pads')!.map((row) => String(row['siteId'])))]);
    for (const id of boardIds) {
      for (const clock of clocksOf(boardEntriesOf(db, id))) keepClock(db, id, clock);
      restate(db, id);
    }
  }
  for (const id of boardIds) reads(db, id);
  const asking = keep === null && conflicts.length > 0;
  return {
    outcome: asking ? 'conflicts' : dryRun ? 'would-be-written' : 'written',
    scope,
    fresh,
    same,
    conflicts: conflicts.slice(0, SHOWN_CONFLICTS),
    conflictCount: conflicts.length,
  };
}

/** A board whose pages would not open is no board. */
function reads(db: Db, id: string): void {
  try {
    boardSheet(db, id);
  } catch (error) {
    throw new InputError([
      {
        path: `$.boards.${id}`,
        message: `does not read once it is written: ${error instanceof Error ? error.message.slice(0, 200) : String(error)}`,
      },
    ]);
  }
}

function manifestIn(files: ReadonlyMap<string, Uint8Array>): BundleManifest {
  const found = files.get(MANIFEST);
  if (!found)
    throw new InputError([{ path: '$.bundle', message: `has no ${MANIFEST}; it is no bundle of Ithermon` }]);
  let told: unknown;
  try {
    told = JSON.parse(new TextDecoder().decode(found));
  } catch {
    throw new InputError([{ path: `$.${MANIFEST}`, message: 'is not valid JSON; export the bundle again' }]);
  }
  return parseInput(bundleManifest, told, '$.manifest');
}

/** Every file is there, whole, and no other is. */
function checkDigests(manifest: BundleManifest, files: ReadonlyMap<string, Uint8Array>): void {
  const faults: Fault[] = [];
  for (const { path, bytes, sha256 } of manifest.files) {
    const found = files.get(path);
    if (!found) faults.push({ path: `$.${path}`, message: 'is missing from the bundle; export it again' });
    else if (found.length !== bytes || digestOf(found) !== sha256)
      faults.push({
        path: `$.${path}`,
        message: 'is not what the bundle was made with (its digest differs); export it again',
      });
    if (faults.length >= MOST_FAULTS) break;
  }
  const named = new Set([MANIFEST, ...manifest.files.map(({ path }) => path)]);
  for (const path of files.keys())
    if (!named.has(path) && !path.endsWith('/'))
      faults.push({ path: `$.${path}`, message: 'is in the bundle and not in its manifest; take it out' });
  if (faults.length > 0) throw new InputError(faults.slice(0, MOST_FAULTS));
}

function rowsOf(one: BundledTable, files: ReadonlyMap<string, Uint8Array>): Record<string, unknown>[] {
  const path = pathOf(one.name);
  const found = files.get(path);
  if (!found) return [];
  const shape = rowShape(one);
  const faults: Fault[] = [];
  const rows = jsonLines(path, found).map((raw, i) => {
    const row = filledUp(one, raw as Record<string, unknown>);
    try {
      parseInput(shape, row, `$.${one.name}[${i}]`);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      if (faults.length < MOST_FAULTS) faults.push(...error.faults);
      return row;
    }
    return one.bytes
      ? { ...row, [one.bytes.column]: bytesOf(row[one.bytes.column], files, `$.${one.name}[${i}]`) }
      : row;
  });
  if (faults.length > 0) throw new InputError(faults.slice(0, MOST_FAULTS));
  return rows;
}

function bytesOf(told: unknown, files: ReadonlyMap<string, Uint8Array>, at: string): Buffer {
  const { file, sha256 } = parseInput(bundleBytes, told, at);
  const found = files.get(file);
  if (!found || digestOf(found) !== sha256)
    throw new InputError([
      { path: at, message: `refers to ${file}, which is missing or another file; export the bundle again` },
    ]);
  return Buffer.from(found);
}
