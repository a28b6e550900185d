import { asc, eq } from 'drizzle-orm';
import { toolRecord, tools, type ToolRecord } from '../../schema/tool';
import type { Db } from '../db';

export function listTools(db: Db): ToolRecord[] {
  return db
    .select()
    .from(tools)
    .where(eq(tools.retired, false))
    .orderBy(asc(tools.name))
    .all()
    .map((row) => toolRecord.parse(row));
}

/** Adds a tool unless one with its id is there already; safe to repeat. */
export function ensureTool(db: Db, tool: Omit<ToolRecord, 'revision' | 'retired'>): void {
  db.insert(tools)
    .values({ ...tool, retired: false, revision: 1 })
    .onConflictDoNothing()
    .run();
}
