import { readFileSync } from 'node:fs';
import { Agent, get } from 'node:http';
import Database from 'better-sqlite3';
import type { Shop } from './shop';

/** A workshop of many years, and how it is asked for its pages. */

export const pathsOf = (boards: number): Readonly<Record<string, (i: number) => string>> => {
  const board = (i: number): string => `many-${i % boards}`;
  return {
    bench: () => '',
    board: (i) => `boards/${board(i)}`,
    plan: (i) => `sites/${board(i)}-s0/plan`,
    'hot air': (i) => `sites/${board(i)}-s1/air`,
    continuity: (i) => `sites/${board(i)}-s2/check`,
    'whole board': (i) => `boards/${board(i)}/recap`,
    photos: (i) => `boards/${board(i)}/photos`,
    import: (i) => `boards/${board(i)}/import`,
    'place a site': (i) => `boards/${board(i)}/place`,
    'correct a site': (i) => `sites/${board(i)}-s0/edit`,
    run: (i) => `jobs/${board(i)}-j0`,
    'plan and done': (i) => `jobs/${board(i)}-j1/plan`,
    rig: () => 'rig',
    clocks: () => 'api/clocks',
    search: (i) => `api/bench/find?find=${['c7', 'lifted', 'logger many', 'beside'][i % 4]}`,
  };
};

/** As by a link on another page: a plan that nobody waits for is not begun. */
const BY_A_LINK = {
  'sec-fetch-site': 'cross-site',
  'sec-fetch-mode': 'navigate',
  'sec-fetch-dest': 'document',
};
const MOST_LINES = 20;
const lines = new Agent({ keepAlive: true, maxSockets: MOST_LINES });

/** How long one page or answer took, ms; throws where it was none. */
export const timed = (shop: Shop, path: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const start = performance.now();
    get(new URL(path, shop.url), { headers: BY_A_LINK, agent: lines }, (response) => {
      response.resume();
      response.on('end', () =>
        response.statusCode === 200
          ? resolve(performance.now() - start)
          : reject(new Error(`${path}: ${response.statusCode}`)),
      );
    }).on('error', reject);
  });

/** What a server holds just now, MB. */
export const memoryOf = (shop: Shop): number =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${shop.pid}/status`, 'utf8'))![1]) / 1024);

/** Seconds of work that a server's threads have done. */
const workOf = (shop: Shop): number => {
  const [utime, stime] = readFileSync(`/proc/${shop.pid}/stat`, 'utf8')
    .split(') ')[1]!
    .split(' ')
    .slice(11, 13);
  return (Number(utime) + Number(stime)) / 100;
};

/** Until a server has nothing left to do of itself; given up after a quarter of an hour. */
export async function settled(shop: Shop): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    const before = workOf(shop);
    await new Promise((go) => setTimeout(go, 3000));
    if (workOf(shop) - before < 0.15) return;
  }
  throw new Error('the server did not come to rest');
}

const [SITES, FINDINGS, JOBS] = [10, 40, 4];

/** Copies of one demo board with its parts, of one closed job with its entries, and findings on all of it. */
export function filled(file: string, boards: number) {
  const db = new Database(file);
  const row = (sql: string): Record<string, unknown> => db.prepare(sql).get() as Record<string, unknown>;
  const rows = (sql: string): Record<string, unknown>[] => db.prepare(sql).all() as Record<string, unknown>[];
  const insert = (table: string, like: Record<string, unknown>) => {
    const columns = Object.keys(like);
    const names = columns.map((c) => `"${c}"`).join(', ');
    return db.prepare(`insert into ${table} (${names}) values (${columns.map((c) => `@${c}`).join(', ')})`);
  };
  const board = row(`select * from boards where id = 'demo-beacon-4'`);
  const sites = rows(`select * from sites where board_id = 'demo-beacon-4' order by ref limit ${SITES}`);
  const pads = rows(`select * from pads`);
  const [job] = rows(`select * from jobs where status = 'closed' order by length(plan) desc limit 1`);
  const events = rows(`select * from run_events where job_id = '${job!['id'] as string}'`);
  const into = {
    board: insert('boards', board),
    site: insert('sites', sites[0]!),
    pad: insert('pads', pads[0]!),
    job: insert('jobs', job!),
    event: insert('run_events', events[0]!),
    finding: insert('findings', row('select * from findings limit 1')),
  };
  const padsOf = new Map(sites.map((s) => [s['id'], pads.filter((p) => p['site_id'] === s['id'])]));
  const since_ms = Date.now() - 3e11;
  db.transaction(() => {
    for (let i = 0; i < boards; i++) {
      const id = `many-${i}`;
      const open = i % 4 === 0;
      into.board.run({
        ...board,
        id,
        name: `Logger many ${i}`,
        created_at_ms: since_ms + i,
        waiting_for: open ? 'you' : 'closed',
      });
      const padIds: [string, string][] = [];
      sites.forEach((site, s) => {
        const siteId = `${id}-s${s}`;
        into.site.run({ ...site, id: siteId, board_id: id });
        for (const pad of padsOf.get(site['id'])!) {
          const padId = `${siteId}-${pad['name'] as string}`;
          into.pad.run({ ...pad, id: padId, site_id: siteId });
          padIds.push([padId, siteId]);
        }
      });
      for (let f = 0; f < FINDINGS; f++) {
        const [pad_id, site_id] = padIds[(f * 7) % padIds.length]!;
        into.finding.run({
          id: `${id}-f${f}`,
          board_id: id,
          site_id,
          pad_id,
          state: f % 3 ? 'sound' : 'dull',
          other_pad_id: null,
          found_as: 'as-received',
          job_id: null,
          takes_back_id: null,
          note: f % 10 ? '' : 'beside the crystal',
          by: 'MK',
          at_ms: since_ms + i,
        });
      }
      for (let j = 0; j < JOBS; j++) {
        const jobId = `${id}-j${j}`;
        into.job.run({
          ...job!,
          id: jobId,
          board_id: id,
          site_id: `${id}-s${j}`,
          recap_id: null,
          by: ['MK', 'AO', 'HL'][i % 3],
        });
        for (const event of events)
          into.event.run({ ...event, job_id: jobId, client_id: `${jobId}-${event['seq'] as number}` });
      }
    }
  })();
  db.pragma('wal_checkpoint(TRUNCATE)');
  const many = (table: string): number => (row(`select count(*) as n from ${table}`) as { n: number }).n;
  const size = (
    row('select page_count * page_size as n from pragma_page_count(), pragma_page_size()') as { n: number }
  ).n;
  const counts = {
    boards: many('boards'),
    jobs: many('jobs'),
    findings: many('findings'),
    file_MB: Math.round(size / 1e6),
  };
  db.close();
  return counts;
}
