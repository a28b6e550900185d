import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { APIContext } from 'astro';
import { defineMiddleware } from 'astro:middleware';
import { HEADERS } from './server/http/headers';
import { NotFound, Unplannable } from './server/store/errors';

/** A page's own policy: nothing but ours is loaded, and nobody frames it. */
const POLICY =
  "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self' blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

let opened: Promise<App.Locals> | undefined;

/** Every answer carries our headers; under the development server this also opens the database and the planner. */
export const onRequest = defineMiddleware(async (context, next) => {
  if (import.meta.env.DEV) Object.assign(context.locals, await (opened ??= development()));
  const response = await whole(await next().catch((error: unknown) => goneOrThrow(error, context)));
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  response.headers.set('content-security-policy', POLICY);
  if (isPage(response)) response.headers.set('cache-control', 'no-cache');
  return response;
});

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
  const db = openDatabase(file, 'src/server/store/migrations');
  const planner = openPlanner(pathToFileURL(resolve('dist/serve.mjs')));
  return {
    db,
    planner,
    costs: new Costs(db, planner),
    nightly: new Nightly(file, 0, copyByCommand('dist/cli.mjs')),
  };
}
