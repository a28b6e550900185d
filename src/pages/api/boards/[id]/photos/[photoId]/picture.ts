import type { APIRoute } from 'astro';
import { pictureOf } from '~/server/store/repositories/photos';
import { keptBytes } from '~/server/http/respond';

/** The picture itself; it never changes under its identifier. */
export const GET: APIRoute = ({ locals, params }) =>
  keptBytes('image/jpeg', () => pictureOf(locals.db, params['id']!, params['photoId']!));
