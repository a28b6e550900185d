import type { APIRoute } from 'astro';
import { artworkCells } from '~/server/store/repositories/imports';
import { keptBytes } from '~/server/http/respond';

/** A layer's cells, a byte each; they never change under their identifier. */
export const GET: APIRoute = ({ locals, params }) =>
  keptBytes('application/octet-stream', () => artworkCells(locals.db, params['id']!, params['artworkId']!));
