import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newBoard } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { openDatabase } from '~/server/store/db';
import { addBoard } from '~/server/store/repositories/boards';
import { addSite } from '~/server/store/repositories/sites';
import { ensureRig, STARTING_TOOLS } from '~/server/rig/firstRig';
import { benchToolOf } from '~/schema/records/rig/tool';
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

/** A plan over the starting bench as a page asks for it: six tips, two guns, cold and warm. */
async function asked(url: string, part: (typeof PARTS)[number], seed: number): Promise<[number, number]> {
  const { board, site } = SIMULATE_EXAMPLE;
  const input = {
    board,
    site: { ...site, package: part[1], connections: part[2] },
    goal: 'remove-keep-part',
    bench: STARTING_TOOLS.map(benchToolOf),
    seed,
  };
  const start = performance.now();
  const response = await fetch(`${url}api/plans`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ kind: 'plan', input }),
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

async function servedPlans(url: string): Promise<void> {
  for (const part of PARTS) {
    const times: [number, number][] = [];
    for (let seed = 1; seed <= 7; seed++) times.push(await asked(url, part, seed));
    const of = (i: 0 | 1): number[] => times.slice(2).map((t) => t[i]);
    report(`asked of the server, all of a bench: ${part[0]}: first answer`, '≤ 300 ms', of(0));
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
  await servedPlans(url);
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
