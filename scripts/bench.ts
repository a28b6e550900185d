import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { pinBand } from '../src/core/method/heat/bands';
import { allowanceFor } from '../src/core/method/heat/forecast';
import { holeTouch } from '../src/core/method/heat/holeTouch';
import { plan, planInPieces } from '../src/core/method/plan';
import { simulateField } from '../src/core/thermal/field/run';
import { simulateJoint } from '../src/core/thermal/joint/simulate';
import { planImport } from '../src/formats/importPlan';
import { newBoard } from '../src/schema/board';
import type { Construction } from '../src/schema/construction';
import { newSite } from '../src/schema/site';
import { openDatabase } from '../src/server/db';
import { addBoard } from '../src/server/repositories/boards';
import { addSite } from '../src/server/repositories/sites';
import { ensureRig } from '../src/server/rig';
import { Helpers, type Helper } from '../src/workers/helpers';
import type { FromHelper } from '../src/workers/pieceProtocol';
import { field, HEAVY_FOUR, insulated, jetOver, square, stage, surfacePart } from '../tests/support/field';
import {
  inPhase,
  IRON,
  planRequest,
  reliefOn,
  scenario,
  settingAt,
  surfaceRequest,
  trackOn,
} from '../tests/support/samples';
import { SIMULATE_EXAMPLE } from '../tests/support/requests';

/** Measures what issues ask for and prints one table. Nothing here passes or fails. */

interface Row {
  readonly what: string;
  readonly asked: string;
  readonly median: string;
  readonly best: string;
}

const rows: Row[] = [];
const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;

function report(what: string, asked: string, times_ms: number[]): void {
  const sorted = [...times_ms].sort((a, b) => a - b);
  rows.push({ what, asked, median: ms(sorted[Math.floor(sorted.length / 2)]!), best: ms(sorted[0]!) });
}

function timed(count: number, work: () => void): number[] {
  return Array.from({ length: count }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

function jointRuns(): void {
  for (const [name, joint] of [
    ['joint run, 10 s, pin on a track, melts', scenario(360, trackOn(4))],
    ['joint run, 10 s, pin on a relief', scenario(380, reliefOn(2))],
  ] as const) {
    timed(100, () => simulateJoint(joint, { duration_s: 10 }));
    report(
      name,
      '≤ 3 ms',
      timed(300, () => simulateJoint(joint, { duration_s: 10 })),
    );
  }
}

/** How fast the machine is just now: ten million multiplications, each waiting for the one before. */
function yardstick(): void {
  const spin = (): number => {
    let x = 1;
    for (let i = 0; i < 1e7; i++) x = x * 0.999999 + 1e-9;
    return x;
  };
  report(
    'yardstick: 10 million dependent multiply–adds',
    '–',
    timed(20, () => void spin()),
  );
}

const HOT_AIR = field(
  { ...HEAVY_FOUR, copper: [HEAVY_FOUR.copper[0]!, HEAVY_FOUR.copper[1]!, HEAVY_FOUR.copper[3]!] },
  [surfacePart({ family: 'qfp', pins: 100 }, { planes: true })],
  [stage(300, jetOver(380, square(18e-3), 40, 5e-3))],
);

/** Typed arrays that a run holds: its mesh and its solver. */
function heldBytes(pitch_m: number): number {
  const solver = insulated(HOT_AIR.board, pitch_m, 3);
  const of = (owner: object): number =>
    Object.values(owner)
      .filter((value): value is Float64Array => ArrayBuffer.isView(value) && value.byteOffset === 0)
      .reduce((sum, array) => sum + array.byteLength, 0);
  return of(solver) + of(solver.mesh);
}

/** The board of heat.md, 160 × 100 mm in three layers under hot air for 300 s, as its cells shrink. */
function boardRuns(): void {
  const asked = { 4: '–', 2: '≤ 0.25 s', 1: '≤ 1.5 s', 0.5: '–' } as const;
  for (const pitch_mm of [4, 2, 1, 0.5] as const) {
    const cells = (160 / pitch_mm) * (100 / pitch_mm) * 3;
    const run = (): number => simulateField(HOT_AIR, { pitch_m: pitch_mm * 1e-3 }).steps;
    if (pitch_mm >= 2) timed(3, () => void run());
    let steps = 0;
    const times = timed(pitch_mm < 1 ? 2 : 5, () => (steps = run()));
    const held_MB = heldBytes(pitch_mm * 1e-3) / 1e6;
    const best_ns = (1e6 * Math.min(...times)) / (cells * steps);
    report(
      `board 160 × 100 mm, ${pitch_mm} mm cells (${cells / 1000}k), 300 s: ${best_ns.toFixed(0)} ns a cell and step, ${held_MB.toFixed(1)} MB`,
      asked[pitch_mm],
      times,
    );
  }
}

const request = planRequest(
  { '1': [trackOn(4)], '2': [reliefOn(2)] },
  {
    irons: [{ ...IRON, tips: [...IRON.tips, { shape: 'bevel', width_m: 3e-3, construction: 'cartridge' }] }],
  },
);

function drain<T>(steps: Generator<unknown, T>): T {
  let next = steps.next();
  while (!next.done) next = steps.next();
  return next.value;
}

/** The same code in a worker thread, as the page runs it in a web worker. */
async function bandInWorker(): Promise<void> {
  const times = await new Promise<number[]>((resolve, reject) => {
    const worker = new Worker(new URL(import.meta.url), { argv: ['band'] });
    worker.on('message', resolve);
    worker.on('error', reject);
  });
  report('band of one pin, 300 draws, in a worker', '≤ 0.8 s', times);
}

function bandTimes(): number[] {
  const single = planRequest({ '1': [trackOn(4)], '2': [trackOn(4)] });
  const touch = holeTouch(single, settingAt(360), '1');
  const allowance = allowanceFor(inPhase(single), ['1']);
  const band = (): unknown => drain(pinBand(touch, allowance, { draws: 300, seed: 1 }));
  band();
  return timed(5, band);
}

/** Helpers as the page has them, one a core, on this runtime's threads. */
function helpersOnThreads(): { readonly helpers: Helpers; readonly end: () => Promise<unknown> } {
  const threads: Worker[] = [];
  const helpers = new Helpers(() => {
    const thread = new Worker(new URL(import.meta.url), { argv: ['pieces'] });
    threads.push(thread);
    const helper: Helper = {
      postMessage: (message) => thread.postMessage(message),
      onmessage: null,
      onerror: null,
    };
    thread.on('message', (data: FromHelper) => helper.onmessage?.({ data }));
    thread.on('error', (error) => helper.onerror?.(error));
    return helper;
  }, cpus().length);
  helpers.prepare();
  return { helpers, end: () => Promise.all(threads.map((thread) => thread.terminate())) };
}

/** A whole plan as the page computes it, and when its first useful answer came. */
async function planTimes(
  helpers: Helpers,
  of: typeof request,
  count: number,
): Promise<{ firsts: number[]; totals: number[] }> {
  const firsts: number[] = [];
  const totals: number[] = [];
  for (let i = 0; i < count; i++) {
    const start = performance.now();
    const steps = planInPieces(of);
    let seen = false;
    let next = steps.next();
    while (!next.done) {
      const { value } = next;
      if (!seen && value.stage === 'first') {
        firsts.push(performance.now() - start);
        seen = true;
      }
      next = steps.next(value.stage === 'ask' ? await helpers.solve(value, () => undefined) : undefined);
    }
    totals.push(performance.now() - start);
  }
  return { firsts, totals };
}

async function plans(): Promise<void> {
  const { helpers, end } = helpersOnThreads();
  // Once for the threads to load and warm up, as after a page's first plan.
  await planTimes(helpers, request, 2);
  const iron = await planTimes(helpers, request, 5);
  report('iron plan, two pins, three tips: first answer', '≤ 300 ms', iron.firsts);
  report('iron plan with frontier and bands, complete', '≤ 1 s', iron.totals);
  report(
    'the same on one thread',
    '–',
    timed(3, () => drain(plan(request))),
  );
  const chip = await planTimes(helpers, surfaceRequest({ family: 'soic', pins: 8 }), 3);
  report('SOIC-8, iron and hot air compared: first answer', '≤ 300 ms', chip.firsts);
  const air = { irons: [], tweezers: [] };
  const small = await planTimes(helpers, surfaceRequest({ family: 'soic', pins: 8 }, air), 3);
  report(
    'hot-air plan of an SOIC-8 on a 2 mm grid, verified, with bands and cool-down',
    '≤ 4 s',
    small.totals,
  );
  const pack = await planTimes(
    helpers,
    surfaceRequest({ family: 'qfp', pins: 100 }, air, ['10', '20', '30']),
    3,
  );
  report(
    'hot-air plan of a QFP-100 on a 2 mm grid, verified, with bands and cool-down',
    '≤ 4 s',
    pack.totals,
  );
  await end();
}

/** This thread as one of the planner's helpers: the page's own, with a port in place of its window. */
async function solvePieces(): Promise<void> {
  const { parentPort } = await import('node:worker_threads');
  const scope = { postMessage: (message: FromHelper) => parentPort!.postMessage(message), onmessage: null };
  Object.assign(globalThis, { self: scope });
  await import('../src/workers/piece.worker');
  const heard = scope as unknown as { onmessage: (event: { data: unknown }) => void };
  parentPort!.on('message', (data) => heard.onmessage({ data }));
}

/** A netlist of 20,000 records on 500 parts, and artwork of 20,000 draws and flashes on 160 × 100 mm. */
function imports(): void {
  const ground = {
    construction: SIMULATE_EXAMPLE.board as Construction,
    taken: [],
    alloy: 'sn60pb40',
  } as const;
  const read = (name: string, text: string) => () =>
    void drain(planImport([{ name, text }], ground, { shift_mm: null, layers: {}, columns: {} }));
  const records = Array.from({ length: 20_000 }, (_, i) => {
    const [part, pin] = [i % 500, Math.floor(i / 500)];
    const x = 10_000 + (part % 25) * 5_500 + (pin % 20) * 100;
    const y = 8_000 + Math.floor(part / 25) * 4_000 + (pin < 20 ? 0 : 2_000);
    return `327NET${String(i % 3000).padEnd(14)}${`U${part}`.padEnd(6)}-${String(pin + 1).padEnd(4)}       A01X+${String(x).padStart(6, '0')}Y+${String(y).padStart(6, '0')}X0060Y0400R000 S0`;
  });
  const draws = Array.from({ length: 20_000 }, (_, i) => {
    const [x, y] = [((i * 7919) % 155_000) * 1000, ((i * 104_729) % 95_000) * 1000];
    return i % 2 === 0
      ? `D11*\nX${x}Y${y}D03*`
      : `D10*\nX${x}Y${y}D02*\nX${x + 3_000_000}Y${y + (i % 5) * 500_000}D01*`;
  });
  const netlist = ['P  UNITS CUST 1', ...records, '999', ''].join('\n');
  const artwork = `%TF.FileFunction,Copper,L1,Top*%\n%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.2*%\n%ADD11R,1X1.5*%\n${draws.join('\n')}\nM02*\n`;
  report('netlist of 20 000 records: read, parts recognised', '≤ 1 s', timed(5, read('x.ipc', netlist)));
  report('artwork of 20 000 operations: read and painted', '≤ 2 s', timed(5, read('x.gbr', artwork)));
}

async function boardPages(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'ithermon-bench-'));
  const file = join(folder, 'bench.db');
  const db = openDatabase(file, 'src/server/migrations');
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

function print(): void {
  const width = (key: keyof Row): number => Math.max(key.length, ...rows.map((row) => row[key].length));
  const line = (row: Record<keyof Row, string>): string =>
    `| ${row.what.padEnd(width('what'))} | ${row.asked.padEnd(width('asked'))} | ${row.median.padStart(width('median'))} | ${row.best.padStart(width('best'))} |`;
  console.log(line({ what: 'what', asked: 'asked', median: 'median', best: 'best' }));
  console.log(
    line({
      what: '-'.repeat(width('what')),
      asked: '-'.repeat(width('asked')),
      median: '-'.repeat(width('median')),
      best: '-'.repeat(width('best')),
    }),
  );
  for (const row of rows) console.log(line(row));
  console.log(
    `\nNode ${process.version}, ${cpus().length} cores, shared and noisy: read the best beside the median.`,
  );
}

if (process.argv[2] === 'band') {
  const { parentPort } = await import('node:worker_threads');
  parentPort!.postMessage(bandTimes());
} else if (process.argv[2] === 'pieces') {
  await solvePieces();
} else {
  yardstick();
  // Joint runs come after the long ones: a shared core takes seconds to come up to its pace.
  boardRuns();
  jointRuns();
  await bandInWorker();
  await plans();
  imports();
  await boardPages();
  print();
}
