import { existsSync, renameSync, rmSync, statSync } from 'node:fs';
import Database from 'better-sqlite3';
import { codeOf, damageOf, UnusableFile } from './fileCheck';

/** What a copy holds, so that whoever made it sees that it is the bench and not an empty file. */
export interface BackupMade {
  readonly bytes: number;
  readonly boards: number;
  readonly parts: number;
  readonly jobs: number;
  readonly entries: number;
  readonly findings: number;
  readonly photos: number;
}

/**
 * Copies a database that may be in use to a new file: a snapshot under one read transaction, written under another name,
 * checked, counted, and only then put in its place. The source is opened to be read and no more. Throws `UnusableFile`, and
 * then there is nothing under the target's name that was not there before.
 */
export function backUp(source: string, target: string, { force = false } = {}): BackupMade {
  if (!existsSync(source))
    throw new UnusableFile(`there is no database at ${source}; set ITHERMON_DB to the one that is meant`);
  if (existsSync(target) && !force)
    throw new UnusableFile(`${target} is there already; give another name, or --force to replace it`);
  const part = `${target}.part`;
  rmSync(part, { force: true });
  try {
    const from = new Database(source, { readonly: true, fileMustExist: true, timeout: 10_000 });
    try {
      if (countOf(from, 'boards') === null) throw new UnusableFile(`${source} is no database of Ithermon`);
      from.prepare('VACUUM INTO ?').run(part);
    } finally {
      from.close();
    }
    const made = checked(part);
    renameSync(part, target);
    return made;
  } catch (error) {
    rmSync(part, { force: true });
    if (codeOf(error) === 'SQLITE_FULL' || codeOf(error) === 'ENOSPC')
      throw new UnusableFile('the disk is full; give a file on another one');
    if (codeOf(error) === 'SQLITE_NOTADB') throw new UnusableFile(`${source} is no database`);
    throw error;
  }
}

function checked(file: string): BackupMade {
  const copy = new Database(file, { readonly: true });
  try {
    const damage = damageOf(copy);
    if (damage !== null)
      throw new UnusableFile(`the copy is damaged (${damage}); so is what it was made from`);
    const count = (table: string): number => countOf(copy, table) ?? 0;
    return {
      bytes: statSync(file).size,
      boards: count('boards'),
      parts: count('sites'),
      jobs: count('jobs'),
      entries: count('run_events'),
      findings: count('findings') + count('face_findings'),
      photos: count('photos'),
    };
  } finally {
    copy.close();
  }
}

/** Rows of one of our own tables; null where there is none such. */
function countOf(db: Database.Database, table: string): number | null {
  const there = db.prepare("SELECT 1 FROM sqlite_schema WHERE type = 'table' AND name = ?").get(table);
  if (!there) return null;
  return db.prepare<[], { n: number }>(`SELECT count(*) AS n FROM ${table}`).get()!.n;
}
