import type { APIRoute } from 'astro';
import { largeAnswer } from '~/server/http/largeAnswer';
import { refuse } from '~/server/http/respond';
import { recapSheet } from '~/server/plans/recapSheet';
import { readSites } from '~/server/store/repositories/sites';

/** What a whole-board job on a large board starts from; a small board's page has it already. */
export const GET: APIRoute = async ({ locals: { db }, params, request }) => {
  const id = params['id']!;
  try {
    await readSites(db, id);
    return await largeAnswer(request, recapSheet(db, id));
  } catch (error) {
    return refuse(error);
  }
};
