import { setImmediate } from 'node:timers/promises';
import { and, count, eq, inArray, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { padRecord, type PadRecord } from '~/schema/records/site/pad';
import { pads } from '~/schema/records/site/pad.table';
import { siteRecord, type NewSite, type SiteChange, type SiteRecord } from '~/schema/records/site/site';
import { sites } from '~/schema/records/site/site.table';
import type { PadChanges } from '~/schema/records/site/padChange';
import { boards } from '~/schema/records/board/board.table';
import type { Db } from '../db';
import { ready } from '../ready';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';
import { insertRows } from '../insertRows';
import { sitesInUse } from './siteUse';

export interface SiteWithPads extends SiteRecord {
  readonly pads: readonly PadRecord[];
}

/** Sites read before others have their turn: some milliseconds, of packs with many pins too. */
const READ_AT_ONCE = 20;

const COUNTED = new Intl.Collator('en', { numeric: true });

/** Sites as they were last read, by their ids: each of their changes raises a site's revision, and with it this. */
const READ = new WeakMap<Db, LRUCache<string, SiteWithPads>>();
// A board of the most sites and some more: read in its order, it would else push out what it is about to ask for.
const MOST_READ = 14_000;

/** Remembers sites that were just made, once they stand: nobody need read them back. */
export function rememberSites(db: Db, made: readonly SiteWithPads[]): void {
  const read = readOf(db);
  for (const site of made) read.set(site.id, site);
}

function readOf(db: Db): LRUCache<string, SiteWithPads> {
  const read = READ.get(db) ?? new LRUCache<string, SiteWithPads>({ max: MOST_READ });
  READ.set(db, read);
  return read;
}

/**
 * A board's sites in the order in which people count references. Read anew is what has changed since it was last read, but for
 * those that were made just now.
 */
export function sitesOf(db: Db, boardId: string, made: readonly SiteWithPads[] = []): SiteWithPads[] {
  const fresh = new Map(made.map((site) => [site.id, site]));
  const { read, heads, changed } = changedSites(db, boardId, fresh);
  for (const some of changed) for (const site of sitesBy(db, some)) fresh.set(site.id, site);
  // What a transaction has changed may yet be taken back, and the next change has the same number.
  if (!db.$client.inTransaction) for (const [id, site] of fresh) read.set(id, site);
  return heads.map(({ id }) => fresh.get(id) ?? read.get(id) ?? getSite(db, id));
}

/** Reads what of a large board is not known yet, and lets others have their turn in between; `sitesOf` then has it at once. */
export async function readSites(db: Db, boardId: string): Promise<void> {
  const { read, changed } = changedSites(db, boardId);
  for (const some of changed) {
    for (const site of sitesBy(db, some)) read.set(site.id, site);
    await setImmediate();
  }
}

const headsOf = ready((db) =>
  db
    .select({ id: sites.id, ref: sites.ref, revision: sites.revision })
    .from(sites)
    .where(eq(sites.boardId, sql.placeholder('boardId')))
    .prepare(),
);

/** Sites of a board in their order, and ids of those that have changed since they were read and are not known, some at a time. */
function changedSites(db: Db, boardId: string, known: ReadonlyMap<string, unknown> = new Map()) {
  const read = readOf(db);
  const heads = headsOf(db).all({ boardId });
  // C7 before C31.
  heads.sort((a, b) => COUNTED.compare(a.ref, b.ref));
  const stale = heads
    .filter(({ id, revision }) => !known.has(id) && read.get(id)?.revision !== revision)
    .map(({ id }) => id);
  const changed = Array.from({ length: Math.ceil(stale.length / READ_AT_ONCE) }, (_, i) =>
    stale.slice(i * READ_AT_ONCE, (i + 1) * READ_AT_ONCE),
  );
  return { read, heads, changed };
}

const sitesBy = (db: Db, ids: readonly string[]): SiteWithPads[] =>
  withPads(
    db,
    db
      .select()
      .from(sites)
      .where(inArray(sites.id, [...ids]))
      .all()
      .map((row) => siteRecord.parse(row)),
  );

/** How many pads a board has. */
export const padCountOf = (db: Db, boardId: string): number =>
  db
    .select({ n: count() })
    .from(pads)
    .innerJoin(sites, eq(sites.id, pads.siteId))
    .where(eq(sites.boardId, boardId))
    .get()!.n;

const byId = ready((db) =>
  db
    .select()
    .from(sites)
    .where(eq(sites.id, sql.placeholder('id')))
    .prepare(),
);

export function getSite(db: Db, id: string): SiteWithPads {
  const row = byId(db).get({ id });
  if (!row) throw new NotFound('site', id);
  return withPads(db, [siteRecord.parse(row)])[0]!;
}

export function getPad(db: Db, id: string): PadRecord {
  const row = db.select().from(pads).where(eq(pads.id, id)).get();
  if (!row) throw new NotFound('pad', id);
  return padRecord.parse(row);
}

/** References that people would read as one: c1 is C1. */
const sameRef = (ref: string) => sql`lower(${sites.ref}) = ${ref.toLowerCase()}`;

/** Adds a site with its pads, all or nothing. */
export function addSite(db: Db, boardId: string, site: NewSite, id = newId('site')): SiteWithPads {
  return db.transaction((tx) => {
    const board = tx.select({ id: boards.id }).from(boards).where(eq(boards.id, boardId)).get();
    if (!board) throw new NotFound('board', boardId);
    const taken = tx
      .select({ id: sites.id })
      .from(sites)
      .where(and(eq(sites.boardId, boardId), sameRef(site.ref)))
      .get();
    if (taken) throw refTaken(site.ref);
    const { pads: given, ...fields } = site;
    const record: SiteRecord = { ...fields, id, boardId, revision: 1 };
    tx.insert(sites).values(record).run();
    const made = given.map((pad) => ({ ...pad, id: `${id}-${pad.name}`, siteId: id }));
    tx.insert(pads).values(made).run();
    return { ...record, pads: made };
  });
}

/** Adds many sites with their pads, all or nothing; each reference stands once on a board. */
export function addSites(db: Db, boardId: string, given: readonly NewSite[]): readonly SiteWithPads[] {
  return db.transaction((tx) => {
    const board = tx.select({ id: boards.id }).from(boards).where(eq(boards.id, boardId)).get();
    if (!board) throw new NotFound('board', boardId);
    const taken = new Set(
      tx
        .select({ ref: sites.ref })
        .from(sites)
        .where(eq(sites.boardId, boardId))
        .all()
        .map(({ ref }) => ref.toLowerCase()),
    );
    for (const { ref } of given) {
      if (taken.has(ref.toLowerCase())) throw refTaken(ref);
      taken.add(ref.toLowerCase());
    }
    const made = given.map(({ pads: own, ...fields }) => {
      const id = newId('site');
      const lands = own.map((pad) => ({ ...pad, id: `${id}-${pad.name}`, siteId: id }));
      return { ...fields, id, boardId, revision: 1, pads: lands };
    });
    insertRows(
      db,
      sites,
      made.map(({ pads: _, ...record }): SiteRecord => record),
    );
    insertRows(
      db,
      pads,
      made.flatMap((site): readonly PadRecord[] => site.pads),
    );
    return made;
  });
}

const refTaken = (ref: string): Conflict =>
  new Conflict(`this board has a site ${ref} already; give another reference`);

/** Writes a correction of a site; refused when it has changed since it was read, or its reference is taken. */
export function changeSite(db: Db, siteId: string, { revision, ...told }: SiteChange): SiteWithPads {
  return db.transaction((tx) => {
    const site = getSite(db, siteId);
    refuseStale(site, revision);
    const taken = tx
      .select({ id: sites.id })
      .from(sites)
      .where(and(eq(sites.boardId, site.boardId), sameRef(told.ref)))
      .get();
    if (taken && taken.id !== siteId)
      throw new Conflict(`this board has a site ${told.ref} already; give another reference`);
    tx.update(sites)
      .set({ ...told, revision: revision + 1 })
      .where(eq(sites.id, siteId))
      .run();
    return getSite(db, siteId);
  });
}

/** Takes a site away; refused once the record holds anything of it, or it has changed since it was read. */
export function removeSite(db: Db, siteId: string, revision: number): { id: string } {
  return db.transaction((tx) => {
    const site = getSite(db, siteId);
    refuseStale(site, revision);
    if (sitesInUse(db, [siteId]).length > 0) {
      throw new Conflict(`${site.ref} has a job, a finding or a reading, which the record keeps; it stays`);
    }
    tx.delete(pads).where(eq(pads.siteId, siteId)).run();
    tx.delete(sites).where(eq(sites.id, siteId)).run();
    return { id: siteId };
  });
}

function refuseStale(site: SiteRecord, revision: number): void {
  if (site.revision === revision) return;
  throw new Conflict(
    `${site.ref} was changed on another screen; look at it as it is now, then change it again`,
    site,
  );
}

/** Writes nets and copper of some pads; refused when the site has changed since it was read. */
export function changePads(db: Db, siteId: string, change: PadChanges): SiteWithPads {
  return db.transaction((tx) => {
    const site = getSite(db, siteId);
    refuseStale(site, change.revision);
    for (const { id, net, connections } of change.pads) {
      const { changes } = tx
        .update(pads)
        .set({ net, connections })
        .where(and(eq(pads.id, id), eq(pads.siteId, siteId)))
        .run();
      if (changes === 0) throw new NotFound('pad', id);
    }
    tx.update(sites)
      .set({ revision: site.revision + 1 })
      .where(eq(sites.id, siteId))
      .run();
    return getSite(db, siteId);
  });
}

function withPads(db: Db, records: readonly SiteRecord[]): SiteWithPads[] {
  if (records.length === 0) return [];
  const all = db
    .select()
    .from(pads)
    .where(
      inArray(
        pads.siteId,
        records.map((r) => r.id),
      ),
    )
    .all()
    .map((row) => padRecord.parse(row));
  const bySite = new Map<string, PadRecord[]>(records.map((record) => [record.id, []]));
  for (const pad of all) bySite.get(pad.siteId)!.push(pad);
  return records.map((record) => ({
    ...record,
    pads: bySite.get(record.id)!.sort((a, b) => COUNTED.compare(a.name, b.name)),
  }));
}

/** What sites are called, by their ids. */
export const siteRefs = (db: Db, ids: readonly string[]): ReadonlyMap<string, string> =>
  ids.length === 0
    ? new Map()
    : new Map(
        db
          .select({ id: sites.id, ref: sites.ref })
          .from(sites)
          .where(inArray(sites.id, [...ids]))
          .all()
          .map(({ id, ref }) => [id, ref]),
      );
