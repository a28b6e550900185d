import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { ROLES, type Role } from '~/core/record/roles';
import { judge, PERMITS, type May } from './permits';

/** Every endpoint that is built, from its file: method and address. */
const BUILT = readdirSync('src/pages/api', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.includes('[...'))
  .flatMap((file) => {
    const path = `/api/${file.replace(/(\/index)?\.ts$/, '').replaceAll(/\[\w+\]/g, '*')}`;
    const source = readFileSync(`src/pages/api/${file}`, 'utf8');
    return [...source.matchAll(/^export const (GET|POST|PUT|PATCH|DELETE)\b/gm)].map(
      ([, method]) => `${method} ${path}`,
    );
  });

const UPWARDS: Readonly<Record<May, readonly (Role | null)[]>> = {
  anyone: [null, ...ROLES],
  viewer: ROLES,
  technician: ['technician', 'lead'],
  lead: ['lead'],
};

describe('who may', () => {
  it('stands in one table for every endpoint, and for nothing else', () => {
    expect(PERMITS.map(({ method, path }) => `${method} ${path}`).sort()).toEqual(BUILT.sort());
  });

  it.each(PERMITS.map((permit) => [`${permit.method} ${permit.path}`, permit] as const))(
    '%s: each role, and nobody',
    (_, { method, path, may }) => {
      const address = path.replaceAll('*', 'some-id');
      for (const role of [null, ...ROLES]) {
        const allowed = UPWARDS[may].includes(role);
        expect(judge(method, address, role), String(role)).toBe(
          allowed ? 'in' : role === null ? 'sign-in' : 'not-yours',
        );
      }
    },
  );

  it('lets a viewer write nothing but their own passphrase and their way out', () => {
    const written = PERMITS.filter(
      ({ method, may }) => method !== 'GET' && ['viewer', 'anyone'].includes(may),
    );
    expect(written.map(({ method, path }) => `${method} ${path}`)).toEqual([
      'POST /api/session',
      'DELETE /api/session',
      'PATCH /api/session/passphrase',
      // What is only asked is written nowhere.
      'POST /api/parts/swap',
      'POST /api/parts/discharge',
      'POST /api/plans',
    ]);
  });

  it('shows pages to whoever is in, the list of people to leads, and the door to all', () => {
    for (const page of ['/', '/boards/b', '/sites/s/plan', '/jobs/j', '/rig', '/account', '/nowhere']) {
      expect(judge('GET', page, null), page).toBe('sign-in');
      expect(judge('GET', page, 'viewer'), page).toBe('in');
    }
    expect(judge('GET', '/people', 'technician')).toBe('not-yours');
    expect(judge('GET', '/people/', 'technician')).toBe('not-yours');
    expect(judge('GET', '/people', 'lead')).toBe('in');
    expect(judge('GET', '/sign-in', null)).toBe('in');
  });

  it('asks whoever is at the door to sign in at addresses that do not exist, too', () => {
    expect(judge('GET', '/api/nothing', null)).toBe('sign-in');
    expect(judge('GET', '/api/nothing', 'lead')).toBe('unknown');
    expect(judge('PUT', '/api/boards', 'lead')).toBe('unknown');
    expect(judge('POST', '/api/*', 'lead')).toBe('unknown');
  });
});
