import type { APIRoute } from 'astro';
import { boardSheet } from '~/server/boards/boardSheet';
import { largeAnswer } from '~/server/http/largeAnswer';
import { refuse } from '~/server/http/respond';
import { readSites } from '~/server/store/repositories/sites';

/** What a large board's page is drawn from; a small one's has it already. */
export const GET: APIRoute = async ({ locals: { db }, params, request }) => {
  const id = params['id']!;
  await readSites(db, id);
  try {
    return await largeAnswer(request, boardSheet(db, id));
  } catch (error) {
    return refuse(error);
  }
};
