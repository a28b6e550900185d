import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bare as test, expect } from './bench';
import { ended, serve } from './servers';
import { PLAN_EXAMPLE, SIMULATE_EXAMPLE } from '../support/requests';

/** The server as a process, and the command line: durability, refusals, exit codes. */

const folder = mkdtempSync(join(tmpdir(), 'ithermon-server-'));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

const BOARD = { name: 'Kept', owner: 'MK', fault: 'x', construction: SIMULATE_EXAMPLE.board };

test('an acknowledged write survives kill -9, and a backup restores it', async () => {
  const file = join(folder, 'kept.db');
  const first = await serve('--port', '0', '--db', file, '--empty');
  const posted = await fetch(`${first.url}api/boards`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(BOARD),
  });
  expect(posted.status).toBe(201);
  const { id } = (await posted.json()) as { id: string };
  const gone = ended(first.process);
  first.process.kill('SIGKILL');
  await gone;

  const copy = join(folder, 'copy.db');
  const backup = spawnSync(process.execPath, ['dist/cli.mjs', 'backup', copy], {
    env: { ...process.env, ITHERMON_DB: file },
  });
  expect(backup.status).toBe(0);

  const again = await serve('--port', '0', '--db', copy, '--empty');
  expect(await (await fetch(`${again.url}boards/${id}`)).text()).toContain('Kept');
  const stopped = ended(again.process);
  again.process.kill('SIGTERM');
  expect(await stopped).toBe(0);
});

test('--empty begins with a clear bench; a busy port names the way out; bad options are one line', async () => {
  const server = await serve('--port', '0', '--db', join(folder, 'empty.db'), '--empty');
  expect(await (await fetch(server.url)).text()).toContain('The bench is clear');
  const port = new URL(server.url).port;
  const second = spawnSync(process.execPath, [
    'dist/serve.mjs',
    '--port',
    port,
    '--db',
    join(folder, 'other.db'),
    '--empty',
  ]);
  expect(second.status).toBe(1);
  expect(second.stderr.toString()).toMatch(
    new RegExp(`port ${port} is busy; choose another with ./start --port`),
  );
  const bad = spawnSync(process.execPath, ['dist/serve.mjs', '--port', 'many']);
  expect(bad.status).toBe(1);
  expect(bad.stderr.toString().trim().split('\n')).toHaveLength(1);
  expect(spawnSync(process.execPath, ['dist/serve.mjs', '--help']).stdout.toString()).toMatch(/--empty/);
  const stopped = ended(server.process);
  server.process.kill('SIGTERM');
  await stopped;
});

test('requests that must not get in do not', async ({ baseURL }) => {
  const post = (body: string, headers: Record<string, string> = {}) =>
    fetch(`${baseURL}/api/boards`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body,
    });
  expect((await post('{"name":')).status).toBe(400);
  expect(await (await post('{"name":')).text()).toMatch(/not valid JSON; check/);
  expect((await post(JSON.stringify({ ...BOARD, fault: 'x'.repeat(400_000) }))).status).toBe(413);
  expect((await post(JSON.stringify(BOARD), { origin: 'http://elsewhere.example' })).status).toBe(403);
  expect((await post(JSON.stringify(BOARD), { 'content-type': 'text/plain' })).status).toBe(400);
  const copperless = { ...BOARD, construction: { ...BOARD.construction, copperLayers: [] } };
  expect(await (await post(JSON.stringify(copperless))).text()).toMatch(
    /construction\.copperLayers.*needs copper/,
  );
  expect(
    (
      await fetch(`${baseURL}/api/boards/none/sites`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: '{}',
      })
    ).status,
  ).toBe(400);

  const status = await new Promise<number>((resolve) => {
    const { hostname, port } = new URL(baseURL!);
    httpRequest({ hostname, port, path: '/', headers: { host: 'elsewhere.example' } }, (r) =>
      resolve(r.statusCode!),
    ).end();
  });
  expect(status).toBe(403);
  const page = await fetch(`${baseURL}/`);
  expect(page.headers.get('content-security-policy')).toMatch(/default-src 'self'/);
  // Files carry what pages carry; odd methods and the framework's own routes are closed.
  const file = await fetch(`${baseURL}/mark.svg`);
  for (const answer of [page, file]) {
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    expect(answer.headers.get('cross-origin-resource-policy')).toBe('same-origin');
  }
  expect((await fetch(`${baseURL}/_image?href=/mark.svg&f=png`)).status).toBe(404);
  const wrong = await fetch(`${baseURL}/rig`, { method: 'POST' });
  expect([wrong.status, wrong.headers.get('allow')]).toEqual([405, 'GET, HEAD']);
});

test('a database has one server; a second is refused in one line, and makes no harm', async () => {
  const file = join(folder, 'shared.db');
  const first = await serve('--port', '0', '--db', file, '--empty');
  const second = spawnSync(process.execPath, ['dist/serve.mjs', '--port', '0', '--db', file, '--empty']);
  expect(second.status).toBe(1);
  expect(second.stderr.toString().trim()).toMatch(
    /^ithermon: another server has the database .* open; stop that one/,
  );
  expect((await fetch(first.url)).status).toBe(200);
  const gone = ended(first.process);
  first.process.kill('SIGKILL');
  await gone;
  // A lock does not outlive its server, however that ended.
  const again = await serve('--port', '0', '--db', file, '--empty');
  const stopped = ended(again.process);
  again.process.kill('SIGTERM');
  expect(await stopped).toBe(0);
});

/** What a site's plan page asks of the planner, from what the page was sent. */
async function askOf(base: string, siteId: string): Promise<object> {
  const page = await (await fetch(`${base}sites/${siteId}/plan`)).text();
  const inputsKey = /"inputsKey":"([^"]+)"/.exec(page)![1];
  return { kind: 'plan', siteId, inputsKey, by: null, goal: 'remove-keep-part' };
}

test('a plan is told line by line, its first word long before its end, and asked again at once', async ({
  baseURL,
}) => {
  const ask = await askOf(`${baseURL}/`, 'demo-tide-1-C4');
  const asked = async (body: unknown) => {
    const start = performance.now();
    const response = await fetch(`${baseURL}/api/plans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const text = await response.text();
    return { status: response.status, text, took_ms: performance.now() - start };
  };
  const first = await asked(ask);
  expect(first.status).toBe(200);
  const lines = first.text
    .trimEnd()
    .split('\n')
    .map((line) => JSON.parse(line) as { type: string; progress?: { stage: string } });
  expect(lines.at(-1)!.type).toBe('done');
  expect(lines.filter(({ type }) => type !== 'progress')).toHaveLength(1);
  const stages = lines.flatMap(({ progress }) => (progress ? [progress.stage] : []));
  expect(stages.indexOf('search')).toBe(0);

  const again = await asked(ask);
  expect(again.text).toBe(first.text);
  // The first may have been answered to another test a moment ago.
  expect(again.took_ms).toBeLessThan(Math.max(first.took_ms, 500));

  expect(await asked({ ...ask, kind: 'guess' })).toMatchObject({ status: 400 });
  expect((await asked({ ...ask, kind: 'guess' })).text).toContain('kind must be one of plan, explore, recap');
  const own = await asked({ ...ask, input: PLAN_EXAMPLE });
  expect(own).toMatchObject({ status: 400 });
  const old = await asked({ ...ask, inputsKey: 'of another day' });
  expect(old.status).toBe(409);
  expect(old.text).toContain('reload and plan again');
});

test('hung up on, a plan is given up: the server turns to the next', async () => {
  const server = await serve('--port', '0', '--db', join(folder, 'hang.db'), '--empty');
  const post = (path: string, body: unknown, signal?: AbortSignal) =>
    fetch(`${server.url}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      ...(signal ? { signal } : {}),
    });
  const made = async (path: string, body: unknown): Promise<string> =>
    ((await (await post(path, body)).json()) as { id: string }).id;
  const boardId = await made('api/boards', BOARD);
  const siteId = await made(`api/boards/${boardId}/sites`, {
    ref: 'U1',
    side: 'top',
    x_mm: 60,
    y_mm: 50,
    alloy: 'sn60pb40',
    package: { family: 'dip', ...HOLES, pins: 14 },
    pads: Array.from({ length: 14 }, (_, i) => ({ name: String(i + 1), connections: [] })),
  });
  const wish = await askOf(server.url, siteId);
  // Hours out of the bag: each its own plan.
  const ask = (outOfBag_h: number, signal?: AbortSignal) =>
    post('api/plans', { ...wish, moisture: { level: '3', outOfBag_h } }, signal);
  // More than it takes at a time, each hung up on once it has begun.
  for (let hours = 1; hours <= 20; hours++) {
    const control = new AbortController();
    const response = await ask(hours, control.signal);
    expect(response.status).toBe(200);
    control.abort();
  }
  expect((await (await ask(100)).text()).trimEnd().split('\n').at(-1)).toContain('"type":"done"');
  const stopped = ended(server.process);
  server.process.kill('SIGTERM');
  expect(await stopped).toBe(0);
});

const HOLES = { pitch_mm: 2.54, leadDiameter_mm: 0.6, holeDiameter_mm: 0.9, landDiameter_mm: 1.7 };

/** Every family of the command line's contract, with what it cannot do without. */
const FAMILIES: readonly (readonly [string, object])[] = [
  ['radial', { ...HOLES, pins: 2 }],
  ['axial', { ...HOLES, pins: 2, pitch_mm: 10 }],
  ['dip', { ...HOLES, pins: 8 }],
  ['header', { ...HOLES, pins: 4 }],
  ['jack', { ...HOLES, pins: 3, pitch_mm: 5 }],
  ['to220', { ...HOLES, pins: 3 }],
  ...['dpak', 'chip', 'canElectrolytic', 'soic', 'ssop', 'tsop', 'soj', 'plcc', 'qfn', 'bga', 'sot23'].map(
    (family) => [family, {}] as const,
  ),
  ['qfp', { pins: 44 }],
];

test.describe('the command line', () => {
  const run = (args: string[], input: unknown) =>
    spawnSync(process.execPath, ['dist/cli.mjs', ...args], {
      input: typeof input === 'string' ? input : JSON.stringify(input),
    });

  test('simulate answers the contract’s example and closes its energy', () => {
    const { status, stdout } = run(['simulate', '-'], SIMULATE_EXAMPLE);
    expect(status).toBe(0);
    const answer = JSON.parse(stdout.toString()) as {
      energy: { relativeResidual: number };
      pads: { fullMelt_s: number }[];
    };
    expect(answer.energy.relativeResidual).toBeLessThan(1e-6);
    expect(answer.pads[0]!.fullMelt_s).toBeGreaterThan(0);
  });

  test('plan answers the same example as a plan request: warmed, or infeasible with remedies that were solved', () => {
    const planned = (request: object) => {
      const { status, stdout } = run(['plan'], request);
      expect(status).toBe(0);
      return JSON.parse(stdout.toString()) as {
        outcome: string;
        chosen: { preheat: object | null } | null;
        methods: { id: string; feasible: boolean; reasons: string[] }[];
        remedies: { kind: string; works: boolean }[];
      };
    };
    const warm = planned(PLAN_EXAMPLE);
    expect(warm.outcome).toBe('found');
    expect(warm.chosen!.preheat).not.toBeNull();
    expect(warm.methods.every((m) => m.reasons.length > 0)).toBe(true);
    const cold = planned({ ...PLAN_EXAMPLE, bench: PLAN_EXAMPLE.bench.slice(0, 1) });
    expect(cold.outcome).toBe('no-feasible-setting');
    expect(cold.remedies.find((r) => r.kind === 'preheat')?.works).toBe(true);
  });

  const HOT_AIR = {
    kind: 'hot-air',
    airRange_C: [100, 480],
    flowRange_L_min: [10, 120],
    nozzles: [{ diameter_mm: 8 }, { width_mm: 18, height_mm: 18 }],
  };
  // Every family with every goal is planned in tests/plans; here each is read from a line and answered on one, in turn.
  const GOALS = ['remove-keep-part', 'remove-sacrifice-part', 'reflow', 'fit'] as const;
  for (const [i, [family, rest]] of FAMILIES.entries()) {
    const goal = GOALS[i % GOALS.length]!;
    test(`plan takes ${family}: ${goal}`, () => {
      const { status, stdout, stderr } = run(['plan'], {
        ...PLAN_EXAMPLE,
        goal,
        neighbours: [],
        board: { ...PLAN_EXAMPLE.board, length_mm: 60, width_mm: 50 },
        bench: family === 'soic' ? [...PLAN_EXAMPLE.bench, HOT_AIR] : PLAN_EXAMPLE.bench,
        site: { ...PLAN_EXAMPLE.site, x_mm: 30, y_mm: 25, package: { family, ...rest }, connections: {} },
      });
      expect(stderr.toString()).toBe('');
      expect(status).toBe(0);
      const answer = JSON.parse(stdout.toString()) as { outcome: string };
      expect(['found', 'no-feasible-setting']).toContain(answer.outcome);
    });
  }

  test('bad input is exit 2, a line a fault, path first', () => {
    const { status, stderr, stdout } = run(['simulate'], {
      ...SIMULATE_EXAMPLE,
      duration_s: -1,
      colour: 'red',
    });
    expect(status).toBe(2);
    expect(stdout.toString()).toBe('');
    const lines = stderr.toString().trim().split('\n');
    expect(lines).toHaveLength(2);
    expect(lines.every((line) => line.startsWith('$'))).toBe(true);
    expect(run(['simulate'], '{').status).toBe(2);
    expect(run(['melt'], {}).status).toBe(2);
    expect(run(['simulate', '/nowhere.json'], '').status).toBe(2);
  });
});
