import { endpoint } from '~/server/http/respond';

export const GET = endpoint(({ locals }) => ({ instruments: locals.hub.list(), now_ms: Date.now() }));
