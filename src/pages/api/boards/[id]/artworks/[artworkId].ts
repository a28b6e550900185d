import type { APIRoute } from 'astro';
import { NotFound } from '~/server/errors';
import { artworkCells } from '~/server/repositories/imports';

/** A layer's cells, a byte each; they never change under their identifier. */
export const GET: APIRoute = ({ locals, params }) => {
  try {
    const cells = artworkCells(locals.db, params['id']!, params['artworkId']!);
    return new Response(new Uint8Array(cells), {
      headers: {
        'content-type': 'application/octet-stream',
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  } catch (error) {
    if (error instanceof NotFound) return new Response(null, { status: 404 });
    throw error;
  }
};
