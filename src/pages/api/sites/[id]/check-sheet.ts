import type { APIRoute } from 'astro';
import { checkSheet } from '~/server/checks/checkSheet';
import { largeAnswer } from '~/server/http/largeAnswer';
import { refuse } from '~/server/http/respond';
import { getSite, readSites } from '~/server/store/repositories/sites';

/** What the checklist of a site on a large board is drawn from; a small board's page has it already. */
export const GET: APIRoute = async ({ locals: { db }, params, request }) => {
  const id = params['id']!;
  try {
    await readSites(db, getSite(db, id).boardId);
    return await largeAnswer(request, checkSheet(db, id));
  } catch (error) {
    return refuse(error);
  }
};
