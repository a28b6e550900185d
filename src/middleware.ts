import { defineMiddleware } from 'astro:middleware';

const HEADERS: Readonly<Record<string, string>> = {
  'content-security-policy':
    "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self' blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
};

let opened: Promise<App.Locals['db']> | undefined;

/** Every answer carries our headers; under the development server this also opens the database. */
export const onRequest = defineMiddleware(async (context, next) => {
  if (import.meta.env.DEV) context.locals.db = await (opened ??= developmentDatabase());
  const response = await next();
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  return response;
});

async function developmentDatabase() {
  const { openDatabase } = await import('./server/db');
  return openDatabase(process.env['ITHERMON_DB'] ?? 'data/ithermon.db', 'src/server/migrations');
}
