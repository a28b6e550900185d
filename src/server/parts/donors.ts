import { checkSwap } from '~/core/electrical/swap/check';
import type { Circuit } from '~/core/electrical/swap/rule';
import { partOfInput, type PartInput } from '~/schema/exchange/parts/part';
import type { Donor } from '~/schema/sheets/stockSwap';
import { InputError } from '~/schema/values/faults';
import { openBoard } from '~/server/boards/openBoard';
import { partCyclesAt } from '~/server/plans/sitePlanning';
import type { Db } from '~/server/store/db';
import { sitesThatMayGive, type MayGive } from '~/server/store/repositories/donors';
import { DESIGNATORS, originalOf } from './originalOf';

/** So many sites are looked at, and of so many boards it is asked what stands there. */
const MOST_SITES = 2000;
const MOST_BOARDS = 12;
const SHOWN = 8;

/** Parts of other boards that would do where one is wanted: of scrapped boards before those that are still worked on. */
export function donorsFor(
  db: Db,
  original: PartInput,
  of: { readonly boardId: string | null; readonly circuit: Circuit },
): Donor[] {
  const wanted = partOfInput(original, '$.original');
  const fitting = sitesThatMayGive(db, DESIGNATORS[wanted.kind] ?? [], of.boardId, MOST_SITES).flatMap(
    (site) => {
      const part = partThere(site);
      if (!part || part.kind !== wanted.kind || !told(part)) return [];
      const answer = checkSwap(wanted, partOfInput(part), of.circuit);
      return answer.verdict === 'do-not-fit' ? [] : [{ site, part, answer }];
    },
  );
  const boards = [...new Set(fitting.map(({ site }) => site.boardId))].slice(0, MOST_BOARDS);
  const standing = new Map(boards.map((id) => [id, openBoard(db, id).occupancies]));
  return fitting
    .filter(({ site }) => standing.get(site.boardId)?.get(site.siteId)?.kind === 'fitted')
    .slice(0, SHOWN)
    .map(({ site: { value: _value, package: _package, ...site }, part, answer }) => ({
      ...site,
      part,
      answer,
      heats: heatsOf(db, { id: site.siteId, boardId: site.boardId }) + 1,
    }));
}

/** What stands on a site as far as its value tells; a value that cannot be read tells nothing. */
function partThere(site: MayGive): PartInput | null {
  try {
    const part = originalOf(site);
    if (part) partOfInput(part);
    return part;
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** A part that neither value nor marking tells is none to look for. */
const told = ({ value, marking }: PartInput): boolean => value !== undefined || marking !== undefined;

/** Times a site's part has been soldered so far: by whoever made the board, and by every job since. */
export const heatsOf = (db: Db, site: Parameters<typeof partCyclesAt>[1]): number =>
  partCyclesAt(db, site) + 1;
