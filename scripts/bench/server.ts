import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newBoard } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { padNamesOf } from '~/core/packages/form';
import { partOf } from '~/schema/exchange/si/part';
import { anyPackage } from '~/schema/values/package';
import { planningFor } from '~/server/plans/sitePlanning';
import { openDatabase, type Db } from '~/server/store/db';
import { addBoard } from '~/server/store/repositories/boards';
import { addSite } from '~/server/store/repositories/sites';
import { ensureRig } from '~/server/rig/firstRig';
import { SIMULATE_EXAMPLE } from '../../tests/support/requests';
import { report } from './table';

/** Capacitor on a track and a plane, and a pack of fourteen with both supplies on planes. */
const PARTS = [
  ['capacitor, a pin on a plane', SIMULATE_EXAMPLE.site.package, SIMULATE_EXAMPLE.site.connections],
  [
    'DIP-14, two pins on planes',
    { family: 'dip', pins: 14, pitch_mm: 2.54, leadDiameter_mm: 0.5, holeDiameter_mm: 0.8 },
    {
      default: [{ kind: 'track', width_mm: 0.4 }],
      '7': [{ kind: 'solid-plane', layers: [2] }],
      '14': [{ kind: 'thermal-relief', layers: [3] }],
    },
  ],
] as const;

const RUNS = 7;

/** A site for each run of a part, each elsewhere on a board of its own, and what its page would ask. */
function asksOf(db: Db, [name, part, connections]: (typeof PARTS)[number]): object[] {
  const given: Readonly<Record<string, unknown>> = connections;
  return Array.from({ length: RUNS }, (_, run) => {
    const board = newBoard.parse({ name, owner: 'MK', fault: 'dead', construction: SIMULATE_EXAMPLE.board });
    const { id } = addBoard(db, board, 1e12);
    const pads = padNamesOf(partOf(anyPackage.parse(part))).map((pad) => ({
      name: pad,
      connections: [given[pad] ?? given['default']].flat(),
    }));
    const place = { ...SIMULATE_EXAMPLE.site, x_mm: 70 + run, package: part, pads };
    const { connections: _told, ...site } = place;
    const siteId = addSite(db, id, newSite.parse(site)).id;
    const { inputsKey } = planningFor(db, siteId, { goal: 'remove-keep-part' });
    return { kind: 'plan', siteId, inputsKey, by: null, goal: 'remove-keep-part' };
  });
}

/** A plan over the starting bench as a page asks for it: six tips, two guns, cold and warm. */
async function asked(url: string, ask: object): Promise<[number, number]> {
  const start = performance.now();
  const response = await fetch(`${url}api/plans`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(ask),
  });
  if (!response.ok || !response.body) throw new Error(await response.text());
  let first = NaN;
  let text = '';
  for await (const chunk of response.body.pipeThrough(new TextDecoderStream())) {
    text += chunk;
    if (Number.isNaN(first) && text.includes('"stage":"first"')) first = performance.now() - start;
  }
  return [first, performance.now() - start];
}

async function servedPlans(url: string, asks: ReadonlyMap<string, readonly object[]>): Promise<void> {
  for (const [name, list] of asks) {
    const times: [number, number][] = [];
    for (const ask of list) times.push(await asked(url, ask));
    const of = (i: 0 | 1): number[] => times.slice(2).map((t) => t[i]);
    report(`asked of the server, all of a bench: ${name}: first answer`, '≤ 300 ms', of(0));
    report('the same, complete', '≤ 1 s', of(1));
  }
}

/** A server with 500 boards: its plans, and its pages. */
export async function served(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'ithermon-bench-'));
  const file = join(folder, 'bench.db');
  const db = openDatabase(file, 'src/server/store/migrations');
  ensureRig(db);
  for (let i = 0; i < 500; i++) {
    const board = newBoard.parse({
      name: `Board ${i}`,
      owner: 'MK',
      fault: 'dead',
      construction: SIMULATE_EXAMPLE.board,
    });
    addBoard(db, board, 1e12 + i, `b${i}`);
    for (let s = 0; s < 6; s++) {
      addSite(
        db,
        `b${i}`,
        newSite.parse({
          ref: `C${s}`,
          side: 'top',
          x_mm: 20 + 18 * s,
          y_mm: 40,
          alloy: 'sn60pb40',
          package: SIMULATE_EXAMPLE.site.package,
          pads: [
            { name: '1', connections: [{ kind: 'track', width_mm: 0.4 }] },
            { name: '2', connections: [{ kind: 'thermal-relief', layers: [2] }] },
          ],
        }),
      );
    }
  }
  const asks = new Map(PARTS.map((part) => [part[0], asksOf(db, part)]));
  db.$client.close();
  const server = spawn(process.execPath, ['dist/serve.mjs', '--port', '0', '--db', file, '--empty'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve) => {
    server.stdout.on('data', (data: Buffer) => {
      const found = /(http:\S+)/.exec(data.toString());
      if (found) resolve(found[1]!);
    });
  });
  await servedPlans(url, asks);
  const ask = async (path: string): Promise<number> => {
    const start = performance.now();
    await (await fetch(`${url}${path}`)).text();
    return performance.now() - start;
  };
  for (let i = 0; i < 30; i++) await ask(`boards/b${i}`);
  const boards: number[] = [];
  for (let i = 0; i < 200; i++) boards.push(await ask(`boards/b${(i * 7) % 500}`));
  report('a board page, 500 boards in the database, 200 requests', '≤ 30 ms', boards);
  const bench: number[] = [];
  for (let i = 0; i < 20; i++) bench.push(await ask(''));
  report('the bench page with 500 boards', '–', bench);
  server.kill('SIGTERM');
  await new Promise((resolve) => server.on('exit', resolve));
  rmSync(folder, { recursive: true });
}
