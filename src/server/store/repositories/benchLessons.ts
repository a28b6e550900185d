import { and, desc, eq, gte, inArray } from 'drizzle-orm';
import { LATEST_JOBS } from '~/core/learning/lessons';
import { benchHeatsRow, type BenchHeatsRow } from '~/schema/records/rig/benchHeats';
import { benchHeats } from '~/schema/records/rig/benchHeats.table';
import { benchLessonRow, type BenchLessonRow } from '~/schema/records/rig/benchLesson';
import { benchLessons } from '~/schema/records/rig/benchLesson.table';
import type { Db } from '../db';

/** What a job told, as it stands after its last closing. */
export function keepHeats(db: Db, row: BenchHeatsRow): void {
  const { jobId: _, phase: __, ...set } = row;
  db.insert(benchHeats)
    .values(row)
    .onConflictDoUpdate({ target: [benchHeats.jobId, benchHeats.phase], set })
    .run();
}

/** The latest jobs of one tip, from a day on. */
export const heatsOfTip = (db: Db, tip: string, since_ms: number): BenchHeatsRow[] =>
  db
    .select()
    .from(benchHeats)
    .where(and(eq(benchHeats.tip, tip), gte(benchHeats.at_ms, since_ms)))
    .orderBy(desc(benchHeats.at_ms))
    .limit(LATEST_JOBS)
    .all()
    .map((row) => benchHeatsRow.parse(row));

/** The latest jobs on one board. */
export const heatsOnBoard = (db: Db, boardId: string): BenchHeatsRow[] =>
  db
    .select()
    .from(benchHeats)
    .where(eq(benchHeats.boardId, boardId))
    .orderBy(desc(benchHeats.at_ms))
    .limit(LATEST_JOBS)
    .all()
    .map((row) => benchHeatsRow.parse(row));

export const lessonsAbout = (db: Db, about: readonly string[]): BenchLessonRow[] =>
  db
    .select()
    .from(benchLessons)
    .where(inArray(benchLessons.about, [...about]))
    .all()
    .map((row) => benchLessonRow.parse(row));

export function keepLesson(db: Db, row: BenchLessonRow): void {
  const { about: _, ...set } = row;
  db.insert(benchLessons).values(row).onConflictDoUpdate({ target: benchLessons.about, set }).run();
}
