import { and, asc, eq } from 'drizzle-orm';
import { toolRecord, type NewTool, type ToolChange, type ToolRecord } from '~/schema/records/rig/tool';
import { tools } from '~/schema/records/rig/tool.table';
import type { Db } from '../db';
import { ready } from '../ready';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

const byName = ready((db) => db.select().from(tools).orderBy(asc(tools.name)).prepare());

/** Tools in use, by name. */
export const listTools = (db: Db): ToolRecord[] => allTools(db).filter((tool) => !tool.retired);

/** Every tool there ever was, by name. */
export const allTools = (db: Db): ToolRecord[] =>
  byName(db)
    .all()
    .map((row) => toolRecord.parse(row));

export function getTool(db: Db, id: string): ToolRecord {
  const row = db.select().from(tools).where(eq(tools.id, id)).get();
  if (!row) throw new NotFound('tool', id);
  return toolRecord.parse(row);
}

/** Adds a tool unless one with its id is there already; safe to repeat. */
export function ensureTool(db: Db, tool: NewTool & { readonly id: string }): void {
  db.insert(tools)
    .values({ ...tool, retired: false, revision: 1 })
    .onConflictDoNothing()
    .run();
}

export function addTool(db: Db, tool: NewTool, id = newId('tool')): ToolRecord {
  const record: ToolRecord = { ...tool, id, retired: false, revision: 1 };
  db.insert(tools).values(record).run();
  return record;
}

/** Changes a tool if nobody else has meanwhile; a retired one stays in the plans that used it. */
export function changeTool(db: Db, id: string, { revision, ...change }: ToolChange): ToolRecord {
  const done = db
    .update(tools)
    .set({ ...change, revision: revision + 1 })
    .where(and(eq(tools.id, id), eq(tools.revision, revision)))
    .run();
  const now = db.select().from(tools).where(eq(tools.id, id)).get();
  if (!now) throw new NotFound('tool', id);
  if (done.changes === 1) return toolRecord.parse(now);
  throw new Conflict('another screen has changed this tool; this one now shows how it stands', {
    now: toolRecord.parse(now),
  });
}
