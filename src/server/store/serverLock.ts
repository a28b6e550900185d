import Database from 'better-sqlite3';
import { codeOf } from './fileCheck';

/** Locks of this process. A connection that nothing refers to any more is closed with the memory it stands in, and its lock is gone. */
const held = new Set<Database.Database>();

/**
 * Takes a database for this server alone, by a lock that the system gives up with the process, however that ends. Null where
 * another server has it. Readers and backups need no lock.
 */
export function lockForServer(file: string): (() => void) | null {
  const lock = new Database(`${file}.lock`, { timeout: 200 });
  try {
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock.close();
    if (codeOf(error) === 'SQLITE_BUSY') return null;
    throw error;
  }
  held.add(lock);
  return () => {
    held.delete(lock);
    lock.close();
  };
}
