import { endpoint } from '~/server/http/respond';
import { findParts } from '~/server/store/repositories/stockParts';

/** So many lines are read at a time. */
const MOST = 100;

export const GET = endpoint((context) =>
  findParts(context.locals.db, (context.url.searchParams.get('q') ?? '').slice(0, 200), MOST),
);
