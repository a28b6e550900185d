import type { AirSheet } from '~/schema/sheets/airSheet';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { padStatesOf } from '~/server/store/repositories/findings';
import { getSite } from '~/server/store/repositories/sites';
import { listTools } from '~/server/store/repositories/tools';
import { planningFor } from './sitePlanning';

/** Gathers what a hot-air run on one site starts from. */
export function airSheet(db: Db, siteId: string): AirSheet {
  const site = getSite(db, siteId);
  return {
    board: getBoard(db, site.boardId),
    site,
    padStates: Object.fromEntries(padStatesOf(db, site.boardId)),
    stations: listTools(db).flatMap((t) => (t.spec.kind === 'hot-air' ? [{ ...t, spec: t.spec }] : [])),
    input: planningFor(db, siteId, { goal: 'remove-keep-part' }).input,
  };
}
