import type { APIRoute } from 'astro';
import { parseInput } from '~/schema/values/faults';
import { newSite } from '~/schema/records/site/site';
import { placeSite } from '~/server/boards/placement';
import { largeAnswer } from '~/server/http/largeAnswer';
import { endpoint, readJson, refuse } from '~/server/http/respond';
import { getBoard } from '~/server/store/repositories/boards';
import { readSites, sitesOf } from '~/server/store/repositories/sites';

/** The sites of a large board, whose pages come before them. */
export const GET: APIRoute = async ({ locals: { db }, params, request }) => {
  const id = params['id']!;
  try {
    getBoard(db, id);
    await readSites(db, id);
    return await largeAnswer(request, sitesOf(db, id));
  } catch (error) {
    return refuse(error);
  }
};

export const POST = endpoint(async (context) => {
  const site = parseInput(newSite, await readJson(context));
  return placeSite(context.locals.db, context.params['id']!, site);
}, 201);
