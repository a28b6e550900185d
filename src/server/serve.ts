import {
  createServer,
  type IncomingMessage,
  type RequestListener,
  type Server,
  type ServerResponse,
} from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { mkdirSync, readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import { restateAll } from '~/server/boards/restate';
import { seedDemo } from '~/server/demo/seed';
import { turnedAway } from '~/server/http/guard';
import { FILE_POLICY, HEADERS } from '~/server/http/headers';
import { letGoUnread } from '~/server/http/unread';
import { Costs } from '~/server/jobs/costs';
import { InstrumentHub } from '~/server/instruments/hub';
import { startStandIns } from '~/server/instruments/startStandIns';
import { channelsTold } from '~/server/store/repositories/instrumentChannels';
import { Draws } from '~/server/jobs/draws';
import { Lessons } from '~/server/rig/lessons';
import { openEvidence, type EvidenceDesk } from '~/server/outcomes/evidenceDesk';
import { openPlanner } from '~/server/plans/planner/open';
import type { Planner } from '~/server/plans/planner/planner';
import { rehearse } from '~/server/plans/planner/rehearsal';
import { Door } from '~/server/people/door';
import { ensureRig } from '~/server/rig/firstRig';
import { closeDatabase, openDatabase, type Db } from '~/server/store/db';
import { codeOf } from '~/server/store/fileCheck';
import { copyByCommand, Nightly } from '~/server/store/nightly';
import { hasLead } from '~/server/store/repositories/people';
import { countUncounted } from '~/server/outcomes/keep';
import { countOldJobs } from '~/server/store/repositories/trackRecord';
import { lockForServer } from '~/server/store/serverLock';
import { BadOption, bracketed, HELP, isLoopback, optionsOf, type Options } from './options';

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
  readonly evidence: EvidenceDesk;
  readonly costs: Costs;
  readonly draws: Draws;
  readonly lessons: Lessons;
  readonly hub: InstrumentHub;
  readonly nightly: Nightly;
  readonly door: Door | null;
  readonly person: null;
}

/** A browser's connection is kept through the pauses of a person. */
const KEPT_OPEN_ms = 65_000;
/** Requests of one connection may wait for each other; so many are no leak. */
const MOST_WAITING = 100;

function readOptions(): Options {
  try {
    const options = optionsOf(process.argv.slice(2), process.env['ITHERMON_FROM'] ?? process.cwd());
    if (options) return options;
  } catch (error) {
    if (error instanceof BadOption) fail(error.message);
    throw error;
  }
  console.log(HELP);
  process.exit(0);
}

function fail(line: string): never {
  console.error(`ithermon: ${line}`);
  process.exit(1);
}

/** Serves what was built beside `bundle`, the address of the file that was started. */
export async function serve(bundle: string): Promise<void> {
  const built = dirname(fileURLToPath(bundle));
  const options = readOptions();
  // What the bench keeps is its own business: files are made for whoever runs it alone.
  process.umask(0o077);
  // The port is taken first: it is soon known, and a database is not touched for a server that cannot be reached.
  let answer: RequestListener = starting;
  const server = serverFor(options, (request, response) => answer(request, response));
  server.keepAliveTimeout = KEPT_OPEN_ms;
  server.on('connection', (socket) => socket.setMaxListeners(MOST_WAITING));
  const port = await listening(server, options);
  const db = await openPrepared(options, built);
  // React renders pages several times slower in its development build, which it takes unless told.
  process.env['NODE_ENV'] ??= 'production';
  const { handler } = (await import(new URL('./server/entry.mjs', bundle).href)) as {
    handler: PageHandler;
  };
  const planner = openPlanner(bundle);
  const evidence = openEvidence(bundle, db);
  const nightly = new Nightly(options.file, options.backups, copyByCommand(resolve(built, 'cli.mjs')));
  const costs = new Costs(db, planner);
  const draws = new Draws(db, planner);
  const lessons = new Lessons(db, planner);
  const hub = new InstrumentHub();
  hub.know(channelsTold(db));
  const door = options.signIn ? new Door(db) : null;
  answer = listener(
    { db, planner, evidence, costs, draws, lessons, hub, nightly, door, person: null },
    handler,
    options.names,
    built,
  );
  let endNightly = (): void => undefined;
  let endStandIns = (): void => undefined;

  const stop = (): void => {
    endNightly();
    endStandIns();
    hub.end();
    planner.end();
    evidence.end();
    server.close(() => {
      closeDatabase(db);
      process.exit(0);
    });
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  // Whoever reads this may stop us at once.
  if (!options.tls && !isLoopback(options.host))
    console.error(
      'ithermon: without --cert and --key passphrases cross the network in the open; keep it to one that you trust.',
    );
  console.log(`Ithermon is at ${options.tls ? 'https' : 'http'}://${bracketed(options.host)}:${port}/`);
  rehearse(planner, db);
  void restateAll(db)
    .then(() => countUncounted(db))
    .then(() => evidence.rehearse())
    .then(() => costs.makeUp())
    .then(() => lessons.makeUp(draws));
  endNightly = nightly.start();
  const instruments = await hub.listen(options.instruments).catch((error: unknown) => {
    console.error(
      `ithermon: instruments cannot connect: ${error instanceof Error ? error.message : String(error)}`,
    );
    return null;
  });
  if (instruments !== null && options.standIns)
    endStandIns = startStandIns(resolve(built, 'standins.mjs'), instruments);
}

function serverFor({ tls }: Options, answer: RequestListener): Server {
  if (!tls) return createServer(answer);
  const read = (option: string, file: string): Buffer => {
    try {
      return readFileSync(file);
    } catch {
      return fail(`${option} ${file} cannot be read; give a PEM file`);
    }
  };
  const pair = { cert: read('--cert', tls.cert), key: read('--key', tls.key) };
  try {
    return createSecureServer(pair, answer);
  } catch (error) {
    return fail(
      `--cert and --key are no certificate and its key: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}

const listening = (server: Server, { port, host }: Options): Promise<number> =>
  new Promise((done) => {
    server.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE')
        fail(`port ${port} is busy; choose another with ./start --port ${port + 1}`);
      fail(`cannot listen on ${host}:${port}: ${error.message}`);
    });
    server.listen(port, host, () => {
      const address = server.address();
      done(typeof address === 'object' && address ? address.port : port);
    });
  });

async function openPrepared(options: Options, built: string): Promise<Db> {
  const { file, empty, host, signIn } = options;
  try {
    mkdirSync(dirname(file), { recursive: true });
    if (!lockForServer(file))
      fail(`another server has the database ${file} open; stop that one, or give another with --db`);
    const db = openDatabase(file, resolve(built, 'migrations'));
    if (signIn && !hasLead(db)) {
      closeDatabase(db);
      fail(
        `${isLoopback(host) ? '--sign-in' : `${host} is reached by others and`} needs people who sign in, and a lead among them: ./ithermon people add INITIALS "NAME" lead`,
      );
    }
    if (!empty) await seedDemo(db, Date.now(), (line) => console.log(line), resolve(built, 'months.json.gz'));
    ensureRig(db);
    countOldJobs(db);
    return db;
  } catch (error) {
    if (codeOf(error) === 'SQLITE_FULL' || codeOf(error) === 'ENOSPC')
      fail(`the disk that ${file} lies on is full; make room and start again`);
    return fail(`cannot use the database ${file}: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** Until the database is open. */
const starting: RequestListener = (_, response) => {
  response
    .writeHead(503, { 'content-type': 'text/plain; charset=utf-8', 'retry-after': '2' })
    .end('Ithermon is starting; reload in a few seconds.');
};

/** Pages and static files, for whoever is let in. */
function listener(
  locals: Locals,
  pages: PageHandler,
  names: ReadonlySet<string>,
  built: string,
): RequestListener {
  const files = sirv(resolve(built, 'client'), {
    brotli: true,
    gzip: true,
    etag: true,
    maxAge: 3600,
    immutable: false,
    setHeaders: (response) => {
      for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
      response.setHeader('content-security-policy', FILE_POLICY);
    },
  });
  return (request, response) => {
    const away = turnedAway(
      {
        method: request.method ?? '',
        path: request.url ?? '',
        header: (name) => [request.headers[name]].flat()[0] ?? null,
      },
      names,
    );
    if (away) {
      const { status, message, allow } = away;
      response
        .writeHead(status, { 'content-type': 'application/json; charset=utf-8', ...(allow ? { allow } : {}) })
        .end(JSON.stringify({ error: status === 403 ? 'forbidden' : 'not-found', message }));
      return;
    }
    const nowhere = (): void => {
      response
        .writeHead(404, { 'content-type': 'application/json; charset=utf-8' })
        .end(JSON.stringify({ error: 'not-found', message: 'there is nothing at this address' }));
    };
    // Each request its own: who asks is written there, and another must not read it.
    const own = { ...locals, address: request.socket.remoteAddress ?? '' };
    letGoUnread(request, response);
    files(request, response, () => pages(request, response, nowhere, own));
  };
}
