import { readFileSync } from 'node:fs';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { getTableName } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { runState } from '~/core/record/runState';
import { copperMap } from '~/schema/values/copperMap';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import * as tables from '~/schema/records/tables';
import { listOrders } from '~/server/store/repositories/partOrders';
import { findParts, historyOfPart } from '~/server/store/repositories/stockParts';
import { heatsOnBoard, lessonsAbout } from '~/server/store/repositories/benchLessons';
import { clocksKept } from '~/server/store/repositories/boardClocks';
import { boardEntriesOf } from '~/server/store/repositories/boardEntries';
import { getBoard, listBoards } from '~/server/store/repositories/boards';
import { continuityReadingsOfBoard } from '~/server/store/repositories/continuityReadings';
import { faceFindingsOf } from '~/server/store/repositories/faceFindings';
import { findingsOf } from '~/server/store/repositories/findings';
import { artworkCells, artworksOf, importsOf } from '~/server/store/repositories/imports';
import { countedJobs } from '~/server/store/repositories/jobFacts';
import { drawsOfJob } from '~/server/store/repositories/jobDraws';
import { jobsOfBoard } from '~/server/store/repositories/jobs';
import { libraryOf } from '~/server/store/repositories/library';
import { listPeople } from '~/server/store/repositories/people';
import { photosOf, pictureOf } from '~/server/store/repositories/photos';
import { recapsOf } from '~/server/store/repositories/recaps';
import { siteGroupsOf } from '~/server/store/repositories/siteGroups';
import { dumpsOf, memoryEntriesOf } from '~/server/store/repositories/memories';
import { partReadingsAt } from '~/server/store/repositories/sitePartReadings';
import { sitesOf } from '~/server/store/repositories/sites';
import { lastSupply, supplyOfBoard } from '~/server/store/repositories/supplyReadings';
import { listHabits } from '~/server/store/repositories/stepHabits';
import { listSupplies, recentMoves } from '~/server/store/repositories/supplies';
import { channelsTold } from '~/server/store/repositories/instrumentChannels';
import { logsOfJob } from '~/server/store/repositories/thermalLogs';
import { allTools } from '~/server/store/repositories/tools';
import { countOldJobs, trackRecord } from '~/server/store/repositories/trackRecord';
import type { Db } from '~/server/store/db';
import { boardSheet } from '~/server/boards/boardSheet';
import { MIGRATIONS } from '../support/database';

const journal = JSON.parse(readFileSync(`${MIGRATIONS}/meta/_journal.json`, 'utf8')) as {
  entries: { idx: number; tag: string; when: number }[];
};

/** A database brought to one migration, filled with that migration's stored example. */
function oldDatabase(upTo: number): Database.Database {
  const client = new Database(':memory:');
  client.pragma('foreign_keys = ON');
  client.exec(
    'CREATE TABLE __drizzle_migrations (id INTEGER PRIMARY KEY AUTOINCREMENT, hash text NOT NULL, created_at numeric)',
  );
  for (const entry of journal.entries.filter((e) => e.idx <= upTo)) {
    const statements = readFileSync(`${MIGRATIONS}/${entry.tag}.sql`, 'utf8').split(
      '--> statement-breakpoint',
    );
    for (const statement of statements) client.exec(statement);
    client
      .prepare('INSERT INTO __drizzle_migrations (hash, created_at) VALUES (?, ?)')
      .run(entry.tag, entry.when);
  }
  return client;
}

/** The example of one migration, brought to the newest. */
function migrated({ idx, tag }: (typeof journal.entries)[number]): Db {
  const client = oldDatabase(idx);
  client.exec(readFileSync(`tests/migrations/examples/${tag}.sql`, 'utf8'));
  const db = drizzle(client, { schema: tables }) as Db;
  migrate(db, { migrationsFolder: MIGRATIONS });
  return db;
}

const ofBoards =
  (rows: (db: Db, boardId: string) => readonly unknown[]) =>
  (db: Db): number =>
    listBoards(db).reduce((count, board) => count + rows(db, board.id).length, 0);

/** How many rows of each table the application itself reads and parses; throws where one no longer reads. */
const READERS: Readonly<Record<string, (db: Db) => number>> = {
  boards: (db) => listBoards(db).map(({ id }) => getBoard(db, id)).length,
  sites: ofBoards(sitesOf),
  pads: ofBoards((db, id) => sitesOf(db, id).flatMap((site) => site.pads)),
  findings: ofBoards(findingsOf),
  face_findings: ofBoards(faceFindingsOf),
  readings: ofBoards(continuityReadingsOfBoard),
  photos: ofBoards((db, id) =>
    photosOf(db, id).map((photo) => photo.takenAway ?? pictureOf(db, id, photo.id)),
  ),
  imports: ofBoards(importsOf),
  artworks: ofBoards((db, id) =>
    artworksOf(db, id).map(({ id: artwork, layer, nx, ny }) =>
      copperMap.parse({ layer, nx, ny, cells: artworkCells(db, id, artwork).toString('base64') }),
    ),
  ),
  site_groups: ofBoards(siteGroupsOf),
  jobs: ofBoards(jobsOfBoard),
  run_events: ofBoards((db, id) => jobsOfBoard(db, id).flatMap(({ events }) => events)),
  recaps: ofBoards(recapsOf),
  board_entries: ofBoards(boardEntriesOf),
  job_draws: ofBoards((db, id) => jobsOfBoard(db, id).flatMap(({ job }) => drawsOfJob(db, job.id))),
  thermal_logs: ofBoards((db, id) => jobsOfBoard(db, id).flatMap(({ job }) => logsOfJob(db, job.id))),
  instrument_channels: (db) => channelsTold(db).length,
  part_orders: (db) => listOrders(db).length,
  stock_parts: (db) => findParts(db, '150', 10).lines.length,
  part_moves: (db) => historyOfPart(db, 'part-1', 10).moves.length,
  part_readings: (db) => historyOfPart(db, 'part-1', 10).readings.length,
  bench_heats: (db) => heatsOnBoard(db, 'demo-validator-9').length,
  bench_lessons: (db) => lessonsAbout(db, ['tip iron-slip-on chisel slip-on 1600']).length,
  memory_dumps: ofBoards((db, id) => sitesOf(db, id).flatMap((site) => dumpsOf(db, site.id))),
  memory_entries: ofBoards((db, id) => sitesOf(db, id).flatMap((site) => memoryEntriesOf(db, site.id))),
  job_facts: (db) => countedJobs(db).filter(({ held }) => held.melt.off.every((off) => off > 0)).length,
  site_part_readings: ofBoards((db, id) => sitesOf(db, id).flatMap((site) => partReadingsAt(db, site.id))),
  board_clocks: ofBoards(clocksKept),
  step_habits: (db) => listHabits(db).length,
  tools: (db) => allTools(db).length,
  supplies: (db) => listSupplies(db).length,
  supply_moves: (db) => recentMoves(db, 1000).length,
  people: (db) => listPeople(db).length,
  sessions: (db) => db.select().from(tables.sessions).all().length,
  library_packages: (db) => libraryOf(db).length,
};

const NAMES = Object.values(tables).map((table) => getTableName(table));
const countIn = (db: Db, name: string): number =>
  (db.$client.prepare(`SELECT count(*) AS n FROM ${name}`).get() as { n: number }).n;

describe('migrations run forward on an old database', () => {
  const visited = new Set<string>();

  // A migration without a stored example fails here: the file is not found.
  it.each(journal.entries)('from $tag to the newest, and every old row still reads', (entry) => {
    const db = migrated(entry);
    for (const name of NAMES) {
      expect(READERS[name], `a reader for ${name}`).toBeDefined();
      const stored = countIn(db, name);
      expect(READERS[name]!(db), `rows of ${name} that read`).toBe(stored);
      if (stored > 0) visited.add(name);
    }
    // What a board's page gathers from all of it.
    for (const { id } of listBoards(db)) expect(boardSheet(db, id).board.id).toBe(id);
    expect(db.$client.pragma('foreign_key_check')).toEqual([]);
    db.$client.close();
  });

  it('lets jobs of before be counted in a track record', () => {
    const db = migrated(journal.entries[0]!);
    expect(trackRecord(db, 'radial', 'MK')).toEqual([]);
    countOldJobs(db);
    expect(trackRecord(db, 'radial', 'MK')).toMatchObject([{ method: 'leg-at-a-time', jobs: 1 }]);
    db.$client.close();
  });

  it('lets what a supply was read at be found by its index, for the bench and for one board', () => {
    const db = migrated(journal.entries.find(({ tag }) => tag === '0025_pages_of_years')!);
    expect(lastSupply(db)).toEqual({ asks_V: 17, gives_V: 17.2, limit_A: 0.6 });
    expect(supplyOfBoard(db, 'demo-validator-9')).toMatchObject({ asks_V: 17 });
    expect(supplyOfBoard(db, 'another')).toBeNull();
    const way = db.$client
      .prepare(
        `explain query plan select body from run_events where json_extract(body, '$.supply') is not null order by at_ms desc limit 1`,
      )
      .all() as { detail: string }[];
    expect(way.map(({ detail }) => detail).join()).toContain('run_events_supply');
    db.$client.close();
  });

  it('have a stored example of every table', () => {
    expect(NAMES.filter((name) => !visited.has(name))).toEqual([]);
  });

  it('makes the tables that the schema describes', () => {
    const client = oldDatabase(journal.entries.length - 1);
    for (const table of Object.values(tables)) {
      expect(() => drizzle(client).select().from(table).all()).not.toThrow();
    }
    client.close();
  });
});

describe('a job of an earlier model', () => {
  const jobsIn = (tag: string) => {
    const db = migrated(journal.entries.find((e) => e.tag === tag)!);
    return listBoards(db).flatMap(({ id }) => jobsOfBoard(db, id));
  };

  it('has entries of every kind in the stored examples', () => {
    const kinds = journal.entries.flatMap(({ tag }) =>
      jobsIn(tag).flatMap(({ events }) => events.map((e) => e.kind)),
    );
    expect([...new Set(kinds)].sort()).toEqual([
      'closed',
      'correction',
      'exposure',
      'heat-off',
      'heat-on',
      'melted',
      'note',
      'opened',
      'step-back',
      'step-done',
    ]);
  });

  it('keeps what the first model accepted: its way by today’s name, its site, steps, melts and stops', () => {
    const found = jobsIn('0000_record').find(({ job }) => job.id === 'demo-job-tide')!;
    const { plan } = found.job;
    expect(plan.modelVersion).toBe('joint-1');
    expect(plan.site).toEqual({ ref: 'C4', side: 'top', family: 'radial' });
    expect(plan.phases).toHaveLength(1);
    expect(plan.phases[0]!.chosen).toMatchObject({
      method: 'leg-at-a-time',
      toolId: 'iron-cartridge',
      setpoint_C: 300,
      nozzle: null,
    });
    expect(plan.phases[0]!.pins[0]).toMatchObject({ pad: '1', stop_s: 12 });
    expect(plan.steps.filter((s) => s.kind === 'heat').map((s) => s.pad)).toEqual(['1', '2']);
    const state = runState(plan.steps, found.events);
    expect(state).toMatchObject({ status: 'closed' });
    expect(state.dwells.every((dwell) => dwell.exposure !== null)).toBe(true);
  });

  it('of the model before versions keeps its stock lines and all its phases', () => {
    const { job } = jobsIn('0005_recaps').find((found) => found.job.id === 'demo-job-validator')!;
    expect(job.plan.modelVersion).toBe('plan-7');
    expect(job.plan.consumption.map((line) => line.kind)).toContain('wire');
    expect(job.plan.phases[0]).toMatchObject({
      phase: 'remove',
      chosen: { method: 'gun', tip: { inner_mm: 1.5 } },
    });
  });

  it('can still be asked what a further heat costs', () => {
    for (const tag of ['0000_record', '0005_recaps']) {
      for (const { job } of jobsIn(tag)) {
        const asked = jobRequestOf(job.request)!;
        expect(asked, job.id).not.toBeNull();
        const request = planRequestOf(asked.input);
        const { toolId } = asked.choices[0]!.setting;
        const bench = [...request.irons, ...request.guns].map((tool) => tool.id);
        expect(bench).toContain(toolId);
      }
    }
  });

  it('stays readable where today’s model can no longer be asked with it', () => {
    const { job } = jobsIn('0000_record')[0]!;
    const request = {
      ...job.request,
      input: { ...(job.request.input as object), goal: 'a goal of long ago' },
    };
    expect(jobRequestOf(request)).toBeNull();
  });
});
