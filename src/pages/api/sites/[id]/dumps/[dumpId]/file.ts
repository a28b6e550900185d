import type { APIRoute } from 'astro';
import { keptBytes } from '~/server/http/respond';
import { bytesOf } from '~/server/store/repositories/memories';

/** The contents as a file of bytes; they never change under their identifier. */
export const GET: APIRoute = ({ locals, params }) =>
  keptBytes('application/octet-stream', () => bytesOf(locals.db, params['id']!, params['dumpId']!));
