import type { Role } from '~/core/record/roles';

/** Who may ask for something: anyone at the door, or those signed in from a role upwards. */
export type May = 'anyone' | Role;

/** One thing that may be asked for. */
export interface Permit {
  readonly method: 'GET' | 'POST' | 'PATCH' | 'DELETE';
  /** Address; `*` stands for any one part of it. */
  readonly path: string;
  readonly may: May;
}

const reading = (path: string): Permit => ({ method: 'GET', path, may: 'viewer' });
const working = (method: Permit['method'], path: string): Permit => ({ method, path, may: 'technician' });
const leading = (method: Permit['method'], path: string): Permit => ({ method, path, may: 'lead' });

/**
 * Who may what, of every endpoint there is; what does not stand here is not answered where people sign in. A bench that
 * nobody signs in to, which only its own machine reaches, asks nobody.
 *
 * Two things are a technician's to write and a lead's to sign besides: a hold point that is passed against, and a board
 * or an item of work accepted (`signatures`).
 */
export const PERMITS: readonly Permit[] = [
  { method: 'POST', path: '/api/session', may: 'anyone' },
  { method: 'DELETE', path: '/api/session', may: 'viewer' },
  { method: 'PATCH', path: '/api/session/passphrase', may: 'viewer' },
  { method: 'POST', path: '/api/signatures', may: 'technician' },
  leading('POST', '/api/people'),
  leading('PATCH', '/api/people/*'),

  reading('/api/clocks'),
  reading('/api/orders/*/list.csv'),
  reading('/api/outcomes/jobs.csv'),
  // The whole shop, everyone's work in it: a lead's to carry away and to bring in.
  leading('GET', '/api/bundles'),
  leading('POST', '/api/bundles'),
  reading('/api/boards/*/bundle'),
  reading('/api/boards/*/out/*'),
  reading('/api/stock.csv'),
  reading('/api/calendar.ics'),
  reading('/api/parts/find'),
  reading('/api/parts/*'),
  // Asking what would fit writes nothing.
  { method: 'POST', path: '/api/parts/swap', may: 'viewer' },
  { method: 'POST', path: '/api/parts/discharge', may: 'viewer' },
  reading('/api/bench/find'),
  reading('/api/bench/lines'),
  reading('/api/boards/*/artworks/*'),
  reading('/api/boards/*/entries'),
  reading('/api/boards/*/sheet'),
  reading('/api/boards/*/sites'),
  reading('/api/boards/*/recap-sheet'),
  reading('/api/sites/*/check-sheet'),
  reading('/api/sites/*/parts'),
  reading('/api/boards/*/photos/*/picture'),
  reading('/api/jobs/*/events'),
  reading('/api/jobs/*/draws'),
  reading('/api/sites/*/memory'),
  reading('/api/sites/*/part-readings'),
  reading('/api/sites/*/dumps/*/file'),
  reading('/api/sites/*/dumps/*/against'),
  reading('/api/jobs/*/courses'),
  reading('/api/jobs/*/report'),
  reading('/api/jobs/*/logs/*'),
  reading('/api/instruments'),
  reading('/api/live'),
  // Asking what would happen writes nothing.
  { method: 'POST', path: '/api/plans', may: 'viewer' },

  working('POST', '/api/boards'),
  working('PATCH', '/api/boards/*'),
  working('POST', '/api/boards/*/entries'),
  working('POST', '/api/boards/*/face-findings'),
  working('POST', '/api/boards/*/groups'),
  working('DELETE', '/api/boards/*/groups/*'),
  working('POST', '/api/boards/*/imports'),
  working('POST', '/api/boards/*/imports/*/undo'),
  working('POST', '/api/boards/*/photos'),
  working('PATCH', '/api/boards/*/photos/*'),
  working('POST', '/api/boards/*/photos/*/taken-away'),
  working('POST', '/api/boards/*/recaps'),
  working('POST', '/api/boards/*/recaps/*/next'),
  working('POST', '/api/boards/*/recaps/*/order'),
  working('POST', '/api/boards/*/sites'),
  working('POST', '/api/findings'),
  working('POST', '/api/instruments/*/do'),
  working('POST', '/api/instruments/*/channels'),
  working('POST', '/api/jobs/*/lay'),
  working('POST', '/api/jobs/*/logs'),
  working('POST', '/api/jobs'),
  working('POST', '/api/jobs/*/events'),
  working('POST', '/api/packages'),
  working('POST', '/api/orders'),
  working('POST', '/api/orders/*/arrived'),
  working('POST', '/api/parts'),
  working('PATCH', '/api/parts/*'),
  working('POST', '/api/parts/*/moves'),
  working('POST', '/api/parts/*/readings'),
  working('DELETE', '/api/packages/*'),
  working('PATCH', '/api/sites/*'),
  working('DELETE', '/api/sites/*'),
  working('PATCH', '/api/sites/*/pads'),
  working('POST', '/api/sites/*/dumps'),
  working('POST', '/api/sites/*/dumps/made'),
  working('POST', '/api/sites/*/memory'),
  working('POST', '/api/sites/*/parts'),
  working('POST', '/api/sites/*/part-readings'),
  working('POST', '/api/sites/*/programmer'),
  working('POST', '/api/sites/*/readings'),
  working('POST', '/api/step-habits'),
  working('POST', '/api/supplies'),
  working('POST', '/api/supplies/moves'),
  working('DELETE', '/api/supplies/*'),
  working('POST', '/api/tools'),
  working('PATCH', '/api/tools/*'),
  working('POST', '/api/tools/*/forget'),
];

/** Pages that not everyone who reads may read. */
const PAGES: readonly (readonly [path: string, may: May])[] = [
  ['/sign-in', 'anyone'],
  ['/people', 'lead'],
];

const RANK: Readonly<Record<May, number>> = { anyone: 0, viewer: 1, technician: 2, lead: 3 };

/** What a request comes to: let in, asked to sign in first, or told that it is not theirs to do. */
export type Verdict = 'in' | 'sign-in' | 'not-yours' | 'unknown';

/**
 * Judges a request where people sign in, by the route that will answer it: its address with `*` for what varies. `role` is null
 * for whoever has not signed in.
 */
export function judge(method: string, path: string, role: Role | null): Verdict {
  const may = path.startsWith('/api/') ? permitFor(method, path)?.may : pageMay(path);
  if (may === 'anyone') return 'in';
  if (role === null) return 'sign-in';
  if (may === undefined) return 'unknown';
  return RANK[role] >= RANK[may] ? 'in' : 'not-yours';
}

const permitFor = (method: string, path: string): Permit | null =>
  PERMITS.find(
    (permit) => permit.method === (method === 'HEAD' ? 'GET' : method) && matches(permit.path, path),
  ) ?? null;

const pageMay = (path: string): May => PAGES.find(([page]) => matches(page, path))?.[1] ?? 'viewer';

function matches(pattern: string, path: string): boolean {
  const [wanted, given] = [pattern.split('/'), path.replace(/\/$/, '').split('/')];
  return wanted.length === given.length && wanted.every((part, i) => part === '*' || part === given[i]);
}
