import { and, asc, eq } from 'drizzle-orm';
import { siteGroupRecord, type NewSiteGroup, type SiteGroupRecord } from '~/schema/records/board/siteGroup';
import { siteGroups } from '~/schema/records/board/siteGroup.table';
import { sites } from '~/schema/records/site/site.table';
import { InputError } from '~/schema/values/faults';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';
import { getBoard } from './boards';

export const siteGroupsOf = (db: Db, boardId: string): SiteGroupRecord[] =>
  db
    .select()
    .from(siteGroups)
    .where(eq(siteGroups.boardId, boardId))
    .orderBy(asc(siteGroups.name))
    .all()
    .map((row) => siteGroupRecord.parse(row));

export function addSiteGroup(
  db: Db,
  boardId: string,
  group: NewSiteGroup,
  id = newId('grp'),
): SiteGroupRecord {
  return db.transaction((tx) => {
    getBoard(db, boardId);
    const known = new Set(
      tx
        .select({ id: sites.id })
        .from(sites)
        .where(eq(sites.boardId, boardId))
        .all()
        .map((row) => row.id),
    );
    const strange = group.siteIds.findIndex((siteId) => !known.has(siteId));
    if (strange >= 0)
      throw new InputError([
        { path: `$.siteIds[${strange}]`, message: 'is no site of this board; reload the page' },
      ]);
    const taken = tx
      .select({ id: siteGroups.id })
      .from(siteGroups)
      .where(and(eq(siteGroups.boardId, boardId), eq(siteGroups.name, group.name)))
      .get();
    if (taken) throw new Conflict(`this board has a group “${group.name}” already; give another name`);
    const record: SiteGroupRecord = { ...group, id, boardId, revision: 1 };
    tx.insert(siteGroups).values(record).run();
    return record;
  });
}

/** Takes a group's name away; its sites stay. */
export function removeSiteGroup(db: Db, boardId: string, id: string): { id: string } {
  const { changes } = db
    .delete(siteGroups)
    .where(and(eq(siteGroups.id, id), eq(siteGroups.boardId, boardId)))
    .run();
  if (changes === 0) throw new NotFound('group', id);
  return { id };
}
