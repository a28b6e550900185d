import { createServer, type IncomingMessage, type RequestListener, type ServerResponse } from 'node:http';
import { mkdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import sirv from 'sirv';
import { restateAll } from '~/server/boards/restate';
import { closeDatabase, openDatabase, type Db } from '~/server/store/db';
import { seedDemo } from '~/server/demo/seed';
import { openPlanner } from '~/server/plans/planner/open';
import type { Planner } from '~/server/plans/planner/planner';
import { rehearse } from '~/server/plans/planner/rehearsal';
import { ensureRig } from '~/server/rig/firstRig';

/** Astro's built handler, called with our locals. */
type PageHandler = (
  request: IncomingMessage,
  response: ServerResponse,
  next?: (error?: unknown) => void,
  locals?: object,
) => void;

/** What pages and endpoints are handed. */
interface Locals {
  readonly db: Db;
  readonly planner: Planner;
}

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1', '[::1]']);

const HELP = `Usage: ./start [--port N] [--host H] [--db FILE] [--empty]
  --port N    port to serve on (default 4517)
  --host H    address to bind to (default 127.0.0.1: this machine only)
  --db FILE   database file (default data/ithermon.db); a backup is restored by naming it here
  --empty     a new database begins without the demo workshop
  --help      this text`;

interface Options {
  readonly port: number;
  readonly host: string;
  readonly file: string;
  readonly empty: boolean;
}

function readOptions(): Options {
  const { values } = parseArgs({
    options: {
      port: { type: 'string' },
      host: { type: 'string' },
      db: { type: 'string' },
      empty: { type: 'boolean' },
      help: { type: 'boolean' },
    },
  });
  if (values.help) {
    console.log(HELP);
    process.exit(0);
  }
  const port = Number(values.port ?? 4517);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    fail(`--port ${values.port} is not a port; give a number from 1 to 65535`);
  return {
    port,
    host: values.host ?? '127.0.0.1',
    file:
      values.db === undefined
        ? resolve('data/ithermon.db')
        : resolve(process.env['ITHERMON_FROM'] ?? '', values.db),
    empty: values.empty ?? false,
  };
}

function fail(line: string): never {
  console.error(`ithermon: ${line}`);
  process.exit(1);
}

async function openPrepared(options: Options, built: string): Promise<Db> {
  try {
    mkdirSync(dirname(options.file), { recursive: true });
    const db = openDatabase(options.file, resolve(built, 'migrations'));
    if (!options.empty) await seedDemo(db, Date.now(), (line) => console.log(line));
    ensureRig(db);
    restateAll(db);
    return db;
  } catch (error) {
    return fail(
      `cannot use the database ${options.file}: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}

/** Pages and static files; bound to loopback, only names of this machine are answered (DNS rebinding). */
function listener(locals: Locals, pages: PageHandler, host: string, built: string): RequestListener {
  const files = sirv(resolve(built, 'client'), {
    brotli: true,
    gzip: true,
    etag: true,
    maxAge: 3600,
    immutable: false,
  });
  return (request, response) => {
    if (LOOPBACK.has(host) && !LOOPBACK.has(hostName(request.headers.host ?? ''))) {
      response
        .writeHead(403, { 'content-type': 'text/plain' })
        .end('Ithermon answers on this machine only; use 127.0.0.1 or localhost.');
      return;
    }
    files(request, response, () => pages(request, response, undefined, locals));
  };
}

const hostName = (header: string): string => header.replace(/:\d+$/, '');

/** Serves what was built beside `bundle`, the address of the file that was started. */
export async function serve(bundle: string): Promise<void> {
  const built = dirname(fileURLToPath(bundle));
  const options = readOptions();
  const db = await openPrepared(options, built);
  // React renders pages several times slower in its development build, which it takes unless told.
  process.env['NODE_ENV'] ??= 'production';
  const { handler } = (await import(new URL('./server/entry.mjs', bundle).href)) as {
    handler: PageHandler;
  };
  const planner = openPlanner(bundle);
  const server = createServer(listener({ db, planner }, handler, options.host, built));

  server.on('error', (error: NodeJS.ErrnoException) => {
    closeDatabase(db);
    if (error.code === 'EADDRINUSE')
      fail(`port ${options.port} is busy; choose another with ./start --port ${options.port + 1}`);
    fail(`cannot listen on ${options.host}:${options.port}: ${error.message}`);
  });
  server.listen(options.port, options.host, () => {
    const address = server.address();
    const port = typeof address === 'object' && address ? address.port : options.port;
    const name = options.host.includes(':') ? `[${options.host}]` : options.host;
    console.log(`Ithermon is at http://${name}:${port}/`);
    rehearse(planner, db);
  });

  const stop = (): void => {
    planner.end();
    server.close(() => {
      closeDatabase(db);
      process.exit(0);
    });
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}
