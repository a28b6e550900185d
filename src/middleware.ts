import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { APIContext } from 'astro';
import { defineMiddleware } from 'astro:middleware';
import { FILE_POLICY, HEADERS } from './server/http/headers';
import { refuse } from './server/http/respond';
import { SESSION_COOKIE } from './server/people/cookie';
import { judge } from './server/people/permits';
import { personOf } from './server/store/repositories/sessions';
import { NotFound, Refused, Unplannable } from './server/store/errors';

let opened: Promise<App.Locals> | undefined;

/** Every answer carries our headers; under the development server this also opens the database and the planner. */
export const onRequest = defineMiddleware(async (context, next) => {
  if (import.meta.env.DEV) Object.assign(context.locals, await (opened ??= development()));
  const response = await whole(
    atDoor(context) ?? (await next().catch((error: unknown) => goneOrThrow(error, context))),
  );
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  // A page's policy is its own: it names its scripts.
  if (isPage(response)) response.headers.set('cache-control', 'no-cache');
  else response.headers.set('content-security-policy', FILE_POLICY);
  return response;
});

/** Where people sign in: whoever has not is sent to do it, and whoever may not is told so. Null lets the request in. */
function atDoor(context: APIContext): Response | null {
  const { locals, request, url, cookies } = context;
  locals.person = null;
  if (!locals.door) return null;
  const token = cookies.get(SESSION_COOKIE)?.value;
  locals.person = token ? personOf(locals.db, token, Date.now()) : null;
  // By the route that will answer, however its address was spelt.
  const route = context.routePattern.replaceAll(/\[[^\]/]+\]/g, '*');
  const verdict = judge(request.method, route, locals.person?.role ?? null);
  if (verdict === 'in') return null;
  const isApi = route.startsWith('/api/');
  if (verdict === 'unknown') return refuse(new NotFound('the address', url.pathname));
  if (verdict === 'sign-in')
    return isApi
      ? refuse(new Refused('signed-out', 'nobody is signed in here; sign in, then this goes on'))
      : context.redirect(`/sign-in?next=${encodeURIComponent(url.pathname + url.search)}`);
  // What is not theirs to see is not theirs to know of.
  if (!isApi) return context.redirect('/account');
  const { initials, role } = locals.person!;
  return refuse(new Refused('forbidden', `${initials} is here as ${role}: this is not a ${role}’s to do`));
}

/** What is not in the record, and a bench that cannot be planned on, have pages of their own; anything else is a fault. */
function goneOrThrow(error: unknown, context: APIContext): Promise<Response> {
  if (error instanceof NotFound) return context.rewrite('/404');
  if (error instanceof Unplannable) return context.rewrite('/unplannable');
  throw error;
}

/**
 * A page is drawn whole before it is sent: one that breaks half-way is then answered with the page for faults instead of
 * a stream that ends in the middle.
 */
async function whole(response: Response): Promise<Response> {
  return isPage(response) ? new Response(await response.text(), response) : response;
}

const isPage = ({ headers }: Response): boolean =>
  (headers.get('content-type') ?? '').startsWith('text/html');

/** The planner's threads are those of the last build. */
async function development(): Promise<App.Locals> {
  const { openDatabase } = await import('./server/store/db');
  const { openPlanner } = await import('./server/plans/planner/open');
  const { copyByCommand, Nightly } = await import('./server/store/nightly');
  const file = process.env['ITHERMON_DB'] ?? 'data/ithermon.db';
  const { Costs } = await import('./server/jobs/costs');
  const { InstrumentHub } = await import('./server/instruments/hub');
  const { Draws } = await import('./server/jobs/draws');
  const { Lessons } = await import('./server/rig/lessons');
  const { EvidenceDesk } = await import('./server/outcomes/evidenceDesk');
  const db = openDatabase(file, 'src/server/store/migrations');
  const planner = openPlanner(pathToFileURL(resolve('dist/serve.mjs')));
  return {
    db,
    planner,
    evidence: new EvidenceDesk(db, null),
    costs: new Costs(db, planner),
    draws: new Draws(db, planner),
    lessons: new Lessons(db, planner),
    hub: new InstrumentHub(),
    door: null,
    person: null,
    address: '',
    nightly: new Nightly(file, 0, copyByCommand('dist/cli.mjs')),
  };
}
