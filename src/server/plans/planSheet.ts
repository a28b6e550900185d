import { contentsAt } from '~/server/memory/contents';
import { givesUp, possibleOn, type Goal } from '~/core/method/goals';
import { worstByPad } from '~/core/record/padFindings';
import { AS_IT_CAME, isEmpty } from '~/core/record/occupancy';
import { openBoard } from '~/server/boards/openBoard';
import type { PlanSheet } from '~/schema/sheets/planSheet';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { planningFor } from './sitePlanning';
import { getSite } from '~/server/store/repositories/sites';
import { listHabits } from '~/server/store/repositories/stepHabits';
import { listTools } from '~/server/store/repositories/tools';

/** Gathers what a plan of one site starts from. A goal that was not asked for, or cannot be gone for, is the next thing to do on the site. */
export function planSheet(
  db: Db,
  siteId: string,
  asked: Goal | null,
  mates: readonly string[] = [],
): PlanSheet {
  const site = getSite(db, siteId);
  const board = getBoard(db, site.boardId);
  const open = openBoard(db, board.id);
  const occupancy = open.occupancies.get(siteId) ?? AS_IT_CAME;
  const empty = isEmpty(occupancy);
  const onlyCopy = contentsAt(db, siteId) === 'only-copy';
  const goal =
    asked && possibleOn(asked, empty) && !(onlyCopy && givesUp(asked))
      ? asked
      : empty
        ? 'fit'
        : 'remove-keep-part';
  const { input, inputsKey } = planningFor(db, siteId, { goal }, open);
  // Copper and edge stay with the server, which asks the planner.
  const { copperMaps: _maps, outline_mm: _edge, ...told } = input.board;
  return {
    board,
    site,
    occupancy,
    padStates: Object.fromEntries(worstByPad(open.findings)),
    tools: listTools(db),
    goal,
    mates: mates.filter((ref) => open.sites.some((s) => s.ref === ref && s.id !== siteId)),
    input: { ...input, board: told },
    inputsKey,
    habits: listHabits(db),
  };
}
