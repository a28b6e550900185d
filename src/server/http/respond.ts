import type { APIContext, APIRoute } from 'astro';
import { InputError } from '~/schema/values/faults';
import type { Refusal } from '~/schema/values/refusal';
import { Busy, Conflict, NotFound, Refused, Unplannable } from '~/server/store/errors';
import type { SignedIn } from '~/server/store/repositories/sessions';
import { once } from './once';
import { codeOf } from '~/server/store/fileCheck';

/** A body is a record, never a file; anything larger is a mistake or an attack. */
const LARGEST_BODY_bytes = 256 * 1024;

/** Wraps an endpoint: its value becomes JSON, its expected errors their status, the rest a 500. */
export function endpoint(handle: (context: APIContext) => unknown, status = 200): APIRoute {
  return async (context) => {
    try {
      return await once(context.request, async () => json(status, await handle(context)));
    } catch (error) {
      return refuse(error);
    }
  };
}

/** Says one thing more; `last` ends the answer. */
export type Tell = (message: unknown, last: boolean) => void;

/**
 * Wraps an endpoint whose answer comes bit by bit, a line of JSON each. The handler begins the telling and returns how
 * to stop it, which is done when the asker hangs up.
 */
export function telling(handle: (context: APIContext, tell: Tell) => Promise<() => void>): APIRoute {
  return async (context) => {
    let controller!: ReadableStreamDefaultController<Uint8Array>;
    let stop: () => void = () => undefined;
    const body = new ReadableStream<Uint8Array>({
      start: (its) => void (controller = its),
      cancel: () => stop(),
    });
    const encoder = new TextEncoder();
    try {
      stop = await handle(context, (message, last) => {
        controller.enqueue(encoder.encode(`${JSON.stringify(message)}\n`));
        if (last) controller.close();
      });
    } catch (error) {
      return refuse(error);
    }
    return new Response(body, {
      headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store' },
    });
  };
}

/** Reads a body of bytes, such as a picture. */
export async function readBytes(context: APIContext, largest_bytes: number): Promise<Uint8Array> {
  const { request } = context;
  // A form of another site could send these types unasked.
  const type = request.headers.get('content-type') ?? '';
  if (!type.startsWith('image/') && type !== 'application/octet-stream')
    throw new InputError([{ path: '$', message: 'is no picture; send content-type image/…' }]);
  return readLimited(request, largest_bytes);
}

/** Reads an archive. */
export async function readArchive(context: APIContext, largest_bytes: number): Promise<Uint8Array> {
  // A form of another site could not send this type unasked.
  if (context.request.headers.get('content-type') !== 'application/zip')
    throw new InputError([{ path: '$', message: 'is no bundle; send content-type application/zip' }]);
  return readLimited(context.request, largest_bytes);
}

/** Reads a body of text, such as a log. */
export async function readText(context: APIContext, largest_bytes: number): Promise<string> {
  const type = context.request.headers.get('content-type') ?? '';
  // A form of another site could send plain text unasked.
  if (!type.startsWith('text/csv') && !type.startsWith('application/'))
    throw new InputError([
      { path: '$', message: 'is no log; send content-type text/csv or application/json' },
    ]);
  return (await readLimited(context.request, largest_bytes)).toString('utf8');
}

/** A file that is made when it is asked for. */
interface MadeFile {
  readonly type: string;
  readonly name: string;
  readonly body: string;
}

/** Wraps an endpoint that answers with a file, to be kept under its name. */
export const fileAnswer =
  (make: (context: APIContext) => MadeFile | Promise<MadeFile>): APIRoute =>
  async (context) => {
    try {
      const { type, name, body } = await make(context);
      return new Response(body, {
        headers: {
          'content-type': type,
          'content-disposition': `attachment; filename="${name}"`,
          'cache-control': 'no-store',
        },
      });
    } catch (error) {
      return refuse(error);
    }
  };

/** Answers with bytes that never change under their address; 404 where there are none. */
export function keptBytes(type: string, read: () => Uint8Array): Response {
  try {
    return new Response(new Uint8Array(read()), {
      headers: { 'content-type': type, 'cache-control': 'private, max-age=31536000, immutable' },
    });
  } catch (error) {
    if (error instanceof NotFound) return new Response(null, { status: 404 });
    throw error;
  }
}

/** Reads a JSON body. */
export async function readJson(context: APIContext, largest_bytes = LARGEST_BODY_bytes): Promise<unknown> {
  const { request } = context;
  if (!request.headers.get('content-type')?.startsWith('application/json')) {
    throw new InputError([{ path: '$', message: 'is not JSON; send content-type application/json' }]);
  }
  const body = await readLimited(request, largest_bytes);
  try {
    return signedBy(context.locals.person, JSON.parse(body.toString('utf8')) as unknown);
  } catch {
    throw new InputError([{ path: '$', message: 'is not valid JSON; check brackets, commas and quotes' }]);
  }
}

/** Where people sign in, whoever is signed in signs: what a body says of that counts nowhere. */
function signedBy(person: SignedIn | null, body: unknown): unknown {
  if (!person) return body;
  if (Array.isArray(body)) return body.map((one) => signedBy(person, one));
  return typeof body === 'object' && body !== null && 'by' in body ? { ...body, by: person.initials } : body;
}

async function readLimited(request: Request, largest_bytes: number): Promise<Buffer> {
  const declared = Number(request.headers.get('content-length') ?? 0);
  if (declared > largest_bytes) throw new TooLarge(largest_bytes);
  if (!request.body) return Buffer.alloc(0);
  const reader = request.body.getReader();
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return Buffer.concat(parts);
    size += value.byteLength;
    if (size > largest_bytes) {
      await reader.cancel();
      throw new TooLarge(largest_bytes);
    }
    parts.push(value);
  }
}

class TooLarge extends Error {
  constructor(largest_bytes: number) {
    super(`the request is larger than ${largest_bytes / 1024} kB; send it in parts`);
  }
}

const REFUSED_STATUS: Readonly<Record<Refused['kind'], number>> = {
  'signed-out': 401,
  forbidden: 403,
  'needs-lead': 403,
  'too-many': 429,
};

/** An expected error as an answer; any other is told to the log, and nobody else. */
export function refuse(error: unknown): Response {
  if (error instanceof InputError) {
    return json(400, { error: 'bad-input', message: error.message, faults: error.faults } satisfies Refusal);
  }
  if (error instanceof NotFound)
    return json(404, { error: 'not-found', message: error.message } satisfies Refusal);
  if (error instanceof Conflict) {
    return json(409, { error: 'conflict', message: error.message, current: error.current } satisfies Refusal);
  }
  if (error instanceof TooLarge)
    return json(413, { error: 'too-large', message: error.message } satisfies Refusal);
  if (error instanceof Unplannable)
    return json(409, { error: 'conflict', message: error.message, current: null } satisfies Refusal);
  if (error instanceof Refused)
    return json(REFUSED_STATUS[error.kind], { error: error.kind, message: error.message } satisfies Refusal);
  if (error instanceof Busy) return json(503, { error: 'busy', message: error.message } satisfies Refusal);
  // A name that is there already is a request that was done already.
  if (/^SQLITE_CONSTRAINT_(PRIMARYKEY|UNIQUE)$/.test(codeOf(error)))
    return json(409, {
      error: 'conflict',
      message: 'this was written already; reload to see it',
      current: null,
    } satisfies Refusal);
  if (codeOf(error) === 'SQLITE_FULL' || codeOf(error) === 'ENOSPC')
    return json(507, {
      error: 'disk-full',
      message: 'the disk is full: nothing was written, and nothing kept is lost; make room, then try again',
    } satisfies Refusal);
  console.error(error);
  return json(500, {
    error: 'internal',
    message: 'something went wrong here, not with what you entered; nothing was written, try again',
  } satisfies Refusal);
}

const json = (status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store' },
  });
