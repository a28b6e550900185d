import { eq, getTableColumns, getTableName, inArray, type SQL } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { z } from 'zod';
import { boardClockRow } from '~/schema/records/board/boardClock';
import { boardEntryRow } from '~/schema/records/board/boardEntry';
import { boardRecord } from '~/schema/records/board/board';
import { faceFindingRecord } from '~/schema/records/board/faceFinding';
import { importRecord } from '~/schema/records/board/boardImport';
import { photoRecord } from '~/schema/records/board/photo';
import { siteGroupRecord } from '~/schema/records/board/siteGroup';
import { jobDrawsRow } from '~/schema/records/jobs/jobDraws';
import { recapRecord } from '~/schema/records/jobs/recap';
import { runEventRow } from '~/schema/records/jobs/runEvent';
import { stepHabit } from '~/schema/records/jobs/stepHabit';
import { thermalLogRow } from '~/schema/records/jobs/thermalLog';
import { libraryPackageRecord } from '~/schema/records/parts/libraryPackage';
import { partOrderRow } from '~/schema/records/parts/partOrder';
import { partMove, partReading } from '~/schema/records/parts/stockPart';
import { benchHeatsRow } from '~/schema/records/rig/benchHeats';
import { benchLessonRow } from '~/schema/records/rig/benchLesson';
import { instrumentChannelRow } from '~/schema/records/rig/instrumentChannel';
import { supplyMove, supplyRecord } from '~/schema/records/rig/supply';
import { toolRecord } from '~/schema/records/rig/tool';
import { continuityReadingRecord } from '~/schema/records/site/continuityReading';
import { findingRecord } from '~/schema/records/site/finding';
import { dumpRecord, memoryEntryRow } from '~/schema/records/site/memory';
import { padRecord } from '~/schema/records/site/pad';
import { sitePartReading } from '~/schema/records/site/partReading';
import { siteRecord } from '~/schema/records/site/site';
import * as tables from '~/schema/records/tables';
import type { Db } from '../db';

/** Whose record a table's rows belong to. */
type Owner = 'board' | 'site' | 'job' | 'shop';

/** A table as a bundle carries it. */
export interface BundledTable {
  readonly name: string;
  readonly table: SQLiteTable;
  readonly owner: Owner;
  /** The column that names the owner; null for the shop's own. */
  readonly ownerColumn: SQLiteColumn | null;
  /** Rows of what happened are never written over; those of what is may be. */
  readonly kind: 'entry' | 'record';
  /** The published shape of a row, its bytes left out; null where none but the table's own is kept. */
  readonly shape: z.ZodType | null;
  /** The column of bytes, and the files they lie in. */
  readonly bytes: { readonly column: string; readonly folder: string; readonly end: string } | null;
}

const carried = (
  table: SQLiteTable,
  kind: BundledTable['kind'],
  shape: z.ZodType | null,
  ownerColumn: SQLiteColumn | null = null,
  owner: Owner = 'shop',
  bytes: BundledTable['bytes'] = null,
): BundledTable => ({ name: getTableName(table), table, owner, ownerColumn, kind, shape, bytes });

const {
  boards, sites, pads, faceFindings, recaps, jobs, findings, continuityReadings, photos, imports, artworks, siteGroups, runEvents,
  jobDraws, thermalLogs, boardEntries, boardClocks, memoryDumps, memoryEntries, sitePartReadings,
} = tables; // prettier-ignore

/**
 * Every table that is carried, in an order in which each row finds what it refers to. Left at home are people and their sessions,
 * who sign in anew on another machine, and what is counted from the rest (`job_facts`).
 */
export const BUNDLED: readonly BundledTable[] = [
  carried(boards, 'record', boardRecord, boards.id, 'board'),
  carried(sites, 'record', siteRecord, sites.boardId, 'board'),
  carried(pads, 'record', padRecord, pads.siteId, 'site'),
  carried(faceFindings, 'entry', faceFindingRecord, faceFindings.boardId, 'board'),
  carried(recaps, 'record', recapRecord, recaps.boardId, 'board'),
  carried(jobs, 'record', null, jobs.boardId, 'board'),
  carried(findings, 'entry', findingRecord, findings.boardId, 'board'),
  carried(continuityReadings, 'entry', continuityReadingRecord, continuityReadings.boardId, 'board'),
  carried(photos, 'record', photoRecord, photos.boardId, 'board', { column: 'picture', folder: 'photos', end: 'jpg' }),
  carried(imports, 'record', importRecord, imports.boardId, 'board'),
  carried(artworks, 'record', null, artworks.boardId, 'board', { column: 'cells', folder: 'artworks', end: 'cells' }),
  carried(siteGroups, 'record', siteGroupRecord, siteGroups.boardId, 'board'),
  carried(runEvents, 'entry', runEventRow, runEvents.jobId, 'job'),
  carried(jobDraws, 'record', jobDrawsRow, jobDraws.jobId, 'job'),
  carried(thermalLogs, 'entry', thermalLogRow, thermalLogs.jobId, 'job'),
  carried(boardEntries, 'entry', boardEntryRow, boardEntries.boardId, 'board'),
  carried(boardClocks, 'record', boardClockRow, boardClocks.boardId, 'board'),
  carried(memoryDumps, 'entry', dumpRecord, memoryDumps.siteId, 'site', { column: 'bytes', folder: 'memories', end: 'bin' }),
  carried(memoryEntries, 'entry', memoryEntryRow, memoryEntries.siteId, 'site'),
  carried(sitePartReadings, 'entry', sitePartReading, sitePartReadings.siteId, 'site'),
  carried(tables.tools, 'record', toolRecord),
  carried(tables.supplies, 'record', supplyRecord),
  carried(tables.supplyMoves, 'entry', supplyMove),
  carried(tables.stockParts, 'record', null),
  carried(tables.partMoves, 'entry', partMove),
  carried(tables.partReadings, 'entry', partReading),
  carried(tables.partOrders, 'record', partOrderRow),
  carried(tables.libraryPackages, 'record', libraryPackageRecord),
  carried(tables.stepHabits, 'record', stepHabit),
  carried(tables.instrumentChannels, 'record', instrumentChannelRow),
  carried(tables.benchHeats, 'record', benchHeatsRow),
  carried(tables.benchLessons, 'record', benchLessonRow),
]; // prettier-ignore

/** Tables that no bundle carries, each for its reason above. */
export const AT_HOME: ReadonlySet<string> = new Set(['people', 'sessions', 'job_facts']);

/** Which rows of a table a bundle of one board has; undefined for all, null for none of a shop's own. */
export function rowsOf(
  db: Db,
  { owner, ownerColumn }: BundledTable,
  boardId: string | null,
): SQL | undefined | null {
  if (boardId === null) return undefined;
  if (ownerColumn === null) return null;
  switch (owner) {
    case 'board':
      return eq(ownerColumn, boardId);
    case 'site':
      return inArray(ownerColumn, db.select({ id: sites.id }).from(sites).where(eq(sites.boardId, boardId)));
    case 'job':
      return inArray(ownerColumn, db.select({ id: jobs.id }).from(jobs).where(eq(jobs.boardId, boardId)));
    case 'shop':
      return null;
  }
}

/** Columns by the names that rows have. */
export const columnsOf = ({ table }: BundledTable): Readonly<Record<string, SQLiteColumn>> =>
  getTableColumns(table);

/**
 * Columns that follow from other rows and are kept beside them: no difference of their own. What follows is put right after the rows are
 * written (`settle`, and what a board waits for by `restate`).
 */
const FOLLOWS: Readonly<Record<string, ReadonlySet<string>>> = {
  boards: new Set(['waitingFor', 'nextAction', 'outcome']),
  jobs: new Set(['status', 'outcome', 'cause', 'closedAt_ms', 'lastSeq']),
  stock_parts: new Set(['left']),
  board_clocks: new Set(['due_ms', 'ended_ms']),
};
export const follows = ({ name }: Pick<BundledTable, 'name'>, column: string): boolean =>
  column === 'revision' || (FOLLOWS[name]?.has(column) ?? false);

/** Entries that follow one upon another: those of one job, by its column. */
const CHAINS: Readonly<Record<string, string>> = { run_events: 'jobId' };
export const chainOf = ({ name }: Pick<BundledTable, 'name'>): string | null => CHAINS[name] ?? null;

/** The columns that tell a row from all others, as primary keys are declared. */
const KEYS: Readonly<Record<string, readonly string[]>> = {
  run_events: ['jobId', 'seq'],
  job_draws: ['jobId', 'phase'],
  bench_heats: ['jobId', 'phase'],
  bench_lessons: ['about'],
  step_habits: ['method'],
  instrument_channels: ['instrument', 'channel'],
};
export const keysOf = ({ name }: Pick<BundledTable, 'name'>): readonly string[] => KEYS[name] ?? ['id'];
