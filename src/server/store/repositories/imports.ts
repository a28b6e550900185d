import { and, eq, gt, inArray, isNull } from 'drizzle-orm';
import { importRecord, type ArtworkLine, type ImportRecord } from '~/schema/records/board/boardImport';
import { artworks, imports } from '~/schema/records/board/boardImport.table';
import type { NewImport } from '~/schema/records/board/boardImport';
import { pads } from '~/schema/records/site/pad.table';
import { sites } from '~/schema/records/site/site.table';
import type { Db } from '../db';
import { asWritten } from '../order';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';
import { addSites, type SiteWithPads } from './sites';
import { CHUNK, sitesInUse } from './siteUse';

export function importsOf(db: Db, boardId: string): ImportRecord[] {
  return db
    .select()
    .from(imports)
    .where(eq(imports.boardId, boardId))
    .orderBy(asWritten(imports))
    .all()
    .map((row) => importRecord.parse(row));
}

/** Writes an import's sites and copper, all or nothing. */
export function addImport(
  db: Db,
  boardId: string,
  given: NewImport,
  now_ms: number,
  id = newId('imp'),
): { readonly record: ImportRecord; readonly sites: readonly SiteWithPads[] } {
  return db.transaction(() => {
    const made = addSites(db, boardId, given.sites);
    const record: ImportRecord = {
      id,
      boardId,
      by: given.by,
      at_ms: now_ms,
      files: given.files,
      siteIds: made.map((site) => site.id),
      profile: given.profile,
      undoneAt_ms: null,
    };
    db.insert(imports).values(record).run();
    for (const { file, coverage, map } of given.copper) {
      const { layer, nx, ny } = map;
      const cells = Buffer.from(map.cells, 'base64');
      db.insert(artworks)
        .values({ id: newId('art'), boardId, importId: id, layer, file, nx, ny, coverage, cells })
        .run();
    }
    return { record, sites: made };
  });
}

/**
 * Takes an import's sites and copper away again; refused once any of its sites has a history. Sites that were corrected
 * since by hand go only where that was said: `corrected` is how many whoever asks knows of.
 */
export function undoImport(db: Db, boardId: string, id: string, now_ms: number, corrected = 0): ImportRecord {
  return db.transaction(() => {
    const row = db
      .select()
      .from(imports)
      .where(and(eq(imports.id, id), eq(imports.boardId, boardId)))
      .get();
    if (!row) throw new NotFound('import', id);
    const record = importRecord.parse(row);
    if (record.undoneAt_ms !== null) throw new Conflict('this import has been undone already', record);
    const used = sitesInUse(db, record.siteIds);
    if (used.length > 0) {
      throw new Conflict(
        `${named(used)} ${used.length === 1 ? 'has' : 'have'} a job, a finding or a reading, which the record keeps; the import stays`,
      );
    }
    const byHand = correctedOf(db, record.siteIds);
    if (byHand.length !== corrected)
      throw new Conflict(
        `${named(byHand)} ${byHand.length === 1 ? 'was' : 'were'} corrected by hand since; undone with the import, that is lost. Press again to undo it all the same`,
        { corrected: byHand.length },
      );
    for (let i = 0; i < record.siteIds.length; i += CHUNK) {
      const some = record.siteIds.slice(i, i + CHUNK);
      db.delete(pads).where(inArray(pads.siteId, some)).run();
      db.delete(sites).where(inArray(sites.id, some)).run();
    }
    db.delete(artworks).where(eq(artworks.importId, id)).run();
    db.update(imports)
      .set({ undoneAt_ms: now_ms })
      .where(and(eq(imports.id, id), isNull(imports.undoneAt_ms)))
      .run();
    return { ...record, undoneAt_ms: now_ms };
  });
}

/** References of sites that were changed after they came. */
function correctedOf(db: Db, siteIds: readonly string[]): string[] {
  const found: string[] = [];
  for (let i = 0; i < siteIds.length; i += CHUNK)
    found.push(
      ...db
        .select({ ref: sites.ref })
        .from(sites)
        .where(and(inArray(sites.id, siteIds.slice(i, i + CHUNK)), gt(sites.revision, 1)))
        .all()
        .map(({ ref }) => ref),
    );
  return found;
}

const MOST_NAMED = 6;
const named = (refs: readonly string[]): string =>
  `${refs.slice(0, MOST_NAMED).join(', ')}${refs.length > MOST_NAMED ? ` and ${refs.length - MOST_NAMED} more` : ''}`;

/** The newest picture of each copper layer. */
export function artworksOf(db: Db, boardId: string): ArtworkLine[] {
  const { cells: _cells, ...columns } = {
    id: artworks.id,
    layer: artworks.layer,
    nx: artworks.nx,
    ny: artworks.ny,
    coverage: artworks.coverage,
    cells: artworks.cells,
  };
  const rows = db
    .select(columns)
    .from(artworks)
    .innerJoin(imports, eq(imports.id, artworks.importId))
    .where(eq(artworks.boardId, boardId))
    .orderBy(asWritten(imports))
    .all();
  return [...new Map(rows.map((row) => [row.layer, row])).values()].sort((a, b) => a.layer - b.layer);
}

export function artworkCells(db: Db, boardId: string, id: string): Buffer {
  const row = db
    .select({ cells: artworks.cells })
    .from(artworks)
    .where(and(eq(artworks.id, id), eq(artworks.boardId, boardId)))
    .get();
  if (!row) throw new NotFound('artwork', id);
  return row.cells;
}
