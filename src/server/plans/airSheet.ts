import type { AirSheet } from '~/schema/sheets/airSheet';
import { worstByPad } from '~/core/record/padFindings';
import { openBoard } from '~/server/boards/openBoard';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { getSite } from '~/server/store/repositories/sites';
import { listTools } from '~/server/store/repositories/tools';
import { planningFor } from './sitePlanning';

/** Gathers what a hot-air run on one site starts from. */
export function airSheet(db: Db, siteId: string): AirSheet {
  const site = getSite(db, siteId);
  const open = openBoard(db, site.boardId);
  return {
    board: getBoard(db, site.boardId),
    site,
    padStates: Object.fromEntries(worstByPad(open.findings)),
    stations: listTools(db).flatMap((t) => (t.spec.kind === 'hot-air' ? [{ ...t, spec: t.spec }] : [])),
    input: planningFor(db, siteId, { goal: 'remove-keep-part' }, open).input,
  };
}
