import { PERMITS } from '../../../src/server/people/permits';
import { SIMULATE_EXAMPLE } from '../../../tests/support/requests';
import { BOARD, drawing, SITE, withSite, type Shop } from './shop';

/** What came of a run of odd requests. */
export interface Fuzzed {
  readonly requests: number;
  readonly byStatus: Readonly<Record<string, number>>;
  /** Requests that must not be: a fault of the server, a cut line, a path or a trace in an answer, a long wait. */
  readonly wrong: readonly string[];
}

/** Stands for a value that is nested deeper than a stack; written in as text. */
const DEEP = '@deep@';
const deep = (levels: number): string => '['.repeat(levels) + ']'.repeat(levels);

/** Longer than this nobody waits for a refusal. */
const LONGEST_ms = 1000;

const PAGES = [
  '',
  'rig',
  'record',
  'parts',
  'outcomes',
  'outcomes?view=time&harm=bridged',
  'outcomes?view=held&sort=tool',
  'outcomes?view=causes',
  'outcomes/jobs?with=lifted',
  'outcomes/month?month=2026-10',
  'stand-ins',
  'boards/new',
  'boards/ID',
  'boards/ID/edit',
  'boards/ID/import',
  'boards/ID/label',
  'boards/ID/out',
  'boards/ID/photos',
  'boards/ID/place',
  'boards/ID/recap',
  'boards/ID/recaps/ID',
  'boards/ID/recaps/ID/kit',
  'sites/ID/plan',
  'sites/ID/air',
  'sites/ID/check',
  'sites/ID/edit',
  'sites/ID/memory',
  'jobs/ID',
  'jobs/ID/plan',
  'sign-in',
  'account',
  'people',
];

/** A line of events never ends, and a bundle is packed for seconds, apart: both are asked for by the screens’ own tests. */
const ENDING = PERMITS.filter(
  ({ path, method }) => path !== '/api/live' && !(method === 'GET' && /bundles?$/.test(path)),
);

/** Sends odd requests to every endpoint and page: bodies that were right once and were changed in a few places. */
export async function fuzz(shop: Shop, requests: number, seed: number): Promise<Fuzzed> {
  const { next, of } = drawing(seed);
  const { boardId, site } = await withSite(shop);
  const ids = [boardId, boardId, site.id, site.id, 'demo-job-wind', 'nothing', '..%2f..', '%00', '__proto__'];
  const bodies = seeds(site.pads[0]!.id, site.pads[1]!.id, site.id);
  const [byStatus, wrong]: [Record<string, number>, string[]] = [{}, []];
  const changed = (value: unknown): unknown => {
    const roll = next();
    if (roll < 0.5 || typeof value !== 'object' || value === null) return roll < 0.12 ? odd(next, of) : value;
    if (Array.isArray(value)) return value.map(changed);
    const entries = Object.entries(value).flatMap(([key, inner]) =>
      next() < 0.06 ? [] : [[next() < 0.03 ? `${key}x` : key, changed(inner)] as const],
    );
    if (next() < 0.05) entries.push([of(['__proto__', 'constructor', 'by', 'extra']), odd(next, of)]);
    return Object.fromEntries(entries);
  };
  /** Mostly what the endpoint takes, mostly changed somewhere; a name of its own, so that more than the first goes in. */
  const bodyFor = (path: string): unknown => {
    const own = bodies.filter(([its]) => its === path);
    const [, body] = of(own.length > 0 && next() < 0.8 ? own : bodies);
    const fresh =
      'clientId' in body || 'ref' in body
        ? { ...body, clientId: 'clientId' in body ? `f-${next()}`.replace('.', '') : undefined }
        : body;
    return next() < 0.4 ? fresh : changed(fresh);
  };
  const one = async (): Promise<void> => {
    const isPage = next() < 0.15;
    const permit = of(ENDING);
    const method = isPage
      ? 'GET'
      : next() < 0.1
        ? of(['GET', 'POST', 'PUT', 'PATCH', 'DELETE'])
        : permit.method;
    const path =
      (isPage ? of(PAGES) : permit.path.slice(1)).replaceAll(/ID|\*/g, () => of(ids)) +
      (next() < 0.2
        ? `?${of(['find', 'goal', 'from', 'revision', 'waits', 'with'])}=${of(['1', '-1', '%', 'x'.repeat(500)])}`
        : '');
    const body =
      method === 'GET' || method === 'HEAD'
        ? undefined
        : next() < 0.04
          ? of(['{', '[]', 'null', '"', ''])
          : bodyFor(permit.path);
    const headers: Readonly<Record<string, string>> =
      next() < 0.2 ? { 'idempotency-key': of(['short', 'k'.repeat(30), '../../x', 'a b']) } : {};
    const sent =
      body === undefined || typeof body === 'string'
        ? body
        : JSON.stringify(body).replaceAll(`"${DEEP}"`, () => deep(Math.floor(next() * 9000)));
    const { status, text, took_ms } = await shop.ask(method, path, sent, headers);
    byStatus[status] = (byStatus[status] ?? 0) + 1;
    const says = `${method} /${path} ${sent?.slice(0, 200) ?? ''} -> ${status} ${text.slice(0, 120)}`;
    // Busy is an answer; the disk full and a fault are not.
    if (status === 0 || (status >= 500 && status !== 503)) wrong.push(says);
    else if (/node_modules|\bat .*\.mjs:\d|\/(work|home|tmp|root|usr)\//.test(text))
      wrong.push(`leaks: ${says}`);
    else if (took_ms > LONGEST_ms && !path.startsWith('api/plans') && !path.includes('plan'))
      wrong.push(`took ${Math.round(took_ms)} ms: ${says}`);
  };
  const lanes = Array.from({ length: 4 }, async () => {
    for (let i = 0; i < requests / 4; i++) await one();
  });
  await Promise.all(lanes);
  if (!shop.alive) wrong.push('the server ended');
  return { requests: 4 * Math.ceil(requests / 4), byStatus, wrong };
}

function odd(next: () => number, of: <Item>(list: readonly Item[]) => Item): unknown {
  return of<() => unknown>([
    () => null,
    () => (next() - 0.5) * 10 ** Math.floor(next() * 30),
    () => -1,
    () => '',
    () => 'x'.repeat(Math.floor(next() * 3000)),
    () => '<script>alert(1)</script>',
    () => "'; DROP TABLE boards; --",
    () => '\u0000\u202e',
    () => [],
    () => ({}),
    () => true,
    () => Array.from({ length: 40 }, () => ({})),
    () => DEEP,
  ])();
}

/** A right body of each kind, and the endpoint that takes it. */
const seeds = (padId: string, otherPadId: string, siteId: string): readonly (readonly [string, object])[] => [
  ['/api/boards', BOARD],
  ['/api/boards/*', { ...BOARD, revision: 1 }],
  ['/api/boards/*/sites', SITE],
  ['/api/sites/*', { ...SITE, revision: 1 }],
  ['/api/findings', { padId, state: 'lifted', foundAs: 'as-received', by: 'MK', note: 'seen' }],
  ['/api/findings', { padId, otherPadId, state: 'bridged', foundAs: 'done-here', by: 'MK' }],
  ['/api/findings', [{ padId, state: 'dull', foundAs: 'as-received', by: 'MK' }]],
  [
    '/api/boards/*/entries',
    { clientId: 'c-1', by: 'MK', body: { kind: 'tested', how: 'an hour', passed: true } },
  ],
  [
    '/api/boards/*/entries',
    { clientId: 'c-2', by: 'MK', body: { kind: 'parked', awaits: 'part', what: 'a part' } },
  ],
  ['/api/jobs/*/events', { clientId: 'c-3', afterSeq: 1, by: 'MK', event: { kind: 'note', text: 'seen' } }],
  [
    '/api/jobs/*/events',
    { clientId: 'c-4', afterSeq: 1, by: 'MK', event: { kind: 'heat-on', stepId: 'heat-1', pad: '1' } },
  ],
  [
    '/api/boards/*/face-findings',
    {
      side: 'top',
      kind: 'via',
      points: [{ x_mm: 3, y_mm: 4 }],
      state: 'cut',
      foundAs: 'as-received',
      by: 'MK',
    },
  ],
  ['/api/boards/*/groups', { name: 'All', siteIds: [siteId] }],
  ['/api/sites/*/readings', { kind: 'continuity', padId, otherPadId, value_Ohm: 0.2, by: 'MK' }],
  [
    '/api/supplies',
    { name: 'Wire', spec: { kind: 'wire', alloy: 'sn60pb40', diameter_mm: 0.8 }, left: 5, by: 'MK' },
  ],
  ['/api/supplies/moves', { supplyId: 'tape', reason: 'counted', amount: 5, by: 'MK' }],
  [
    '/api/tools',
    {
      name: 'Iron',
      spec: { kind: 'iron', power_W: 65, setpointRange_C: [200, 450], tips: [SIMULATE_EXAMPLE.load.tip] },
    },
  ],
  ['/api/packages', { name: 'Mine', package: SIMULATE_EXAMPLE.site.package, by: 'MK' }],
  ['/api/step-habits', { method: 'leg-at-a-time', edits: [], by: 'MK', revision: 0 }],
  ['/api/plans', { kind: 'plan', siteId, inputsKey: 'x', by: null, goal: 'remove-keep-part' }],
  ['/api/jobs', { siteId, by: 'MK', goal: 'fit', inputsKey: 'x', choices: [] }],
  [
    '/api/boards/*/imports',
    {
      by: 'MK',
      files: [{ name: 'a', kind: 'table', count: 1 }],
      sites: [{ ...SITE, ref: 'C8' }],
      copper: [],
      profile: null,
    },
  ],
  ['/api/sites/*/pads', { revision: 1, pads: [{ id: padId, net: 'A', connections: [] }] }],
  ['/api/boards/*/photos/*/taken-away', { revision: 1, by: 'MK', reason: 'why' }],
  ['/api/boards/*/photos/*', { revision: 1, calibration: null }],
  ['/api/boards/*/imports/*/undo', { corrected: 0 }],
  ['/api/session', { initials: 'MK', passphrase: 'what is it' }],
];
