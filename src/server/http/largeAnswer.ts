import { promisify } from 'node:util';
import { constants, gzip } from 'node:zlib';

const packed = promisify(gzip);

/** What is known to be large, packed off the thread that serves where the asker takes that. */
export async function largeAnswer(request: Request, value: unknown): Promise<Response> {
  const text = JSON.stringify(value);
  const takesGzip = /\bgzip\b/.test(request.headers.get('accept-encoding') ?? '');
  return new Response(
    takesGzip ? new Uint8Array(await packed(text, { level: constants.Z_BEST_SPEED })) : text,
    {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'cache-control': 'no-store',
        vary: 'accept-encoding',
        ...(takesGzip ? { 'content-encoding': 'gzip' } : {}),
      },
    },
  );
}
