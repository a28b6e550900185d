import { asc, eq } from 'drizzle-orm';
import {
  libraryPackageRecord,
  type LibraryPackageRecord,
  type NewLibraryPackage,
} from '~/schema/records/parts/libraryPackage';
import { libraryPackages } from '~/schema/records/parts/libraryPackage.table';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

export const libraryOf = (db: Db): LibraryPackageRecord[] =>
  db
    .select()
    .from(libraryPackages)
    .orderBy(asc(libraryPackages.name))
    .all()
    .map((row) => libraryPackageRecord.parse(row));

export function addToLibrary(
  db: Db,
  given: NewLibraryPackage,
  now_ms: number,
  id = newId('lib'),
): LibraryPackageRecord {
  return db.transaction((tx) => {
    const taken = tx
      .select({ id: libraryPackages.id })
      .from(libraryPackages)
      .where(eq(libraryPackages.name, given.name))
      .get();
    if (taken) throw new Conflict(`the library has “${given.name}” already; give another name`);
    const record: LibraryPackageRecord = { ...given, id, at_ms: now_ms };
    tx.insert(libraryPackages).values(record).run();
    return record;
  });
}

/** Takes an outline out of the library; sites that were placed with it keep theirs. */
export function removeFromLibrary(db: Db, id: string): { id: string } {
  if (db.delete(libraryPackages).where(eq(libraryPackages.id, id)).run().changes === 0)
    throw new NotFound('outline', id);
  return { id };
}
